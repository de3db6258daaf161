<?php

declare(strict_types=1);

namespace App\Providers;

use App\Automation\BeginsRules;
use App\Deadlines\StartsDeadlines;
use App\Files\Deliveries;
use App\Forms\ConfirmationMessage;
use App\Forms\Confirmations;
use App\Front\Front;
use App\Front\FrontPages;
use App\Journey\ActingRule;
use App\Journey\BusinessRules;
use App\Journey\CarriesOut;
use App\Journey\Earlier;
use App\Journey\EffectRunner;
use App\Languages\SiteLanguage;
use App\Languages\TranslatedPhrases;
use App\Languages\Voices;
use App\Mail\Broadcasts\BroadcastMessage;
use App\Mail\Emails\KindOfMessage;
use App\Mail\Emails\KindsOfMessages;
use App\Mail\Emails\NewLinkMessage;
use App\Mail\Owner\NoticeMessage;
use App\Mail\Owner\Notices;
use App\Mail\Owner\PersonNotices;
use App\Mail\Owner\ReaderNotices;
use App\Mail\Owner\TestMessage;
use App\Mail\Sending\MailServers;
use App\Mail\Sending\Provider;
use App\Mail\Sending\WrittenMessages;
use App\Mail\Sequences\Enrolments;
use App\Mail\Sequences\SequenceMessage;
use App\Orders\Accesses;
use App\Orders\Messages\PaymentTroubleMessage;
use App\Orders\Messages\ReceiptMessage;
use App\Orders\Messages\SaleNoticeMessage;
use App\Orders\Receipts;
use App\Orders\SaleNotices;
use App\Payments\PaymentProvider;
use App\Payments\Practice\PracticePayments;
use App\People\Bulk\LeavesSequences;
use App\People\Fields\FieldChanges;
use App\People\Notes;
use App\People\Privacy\WritesEmails;
use App\People\Tags\Tagging;
use App\Serving\FollowsDrawing;
use App\Serving\Slots\AddressSlot;
use App\Serving\Slots\AnswerSlot;
use App\Serving\Slots\CheckoutSlot;
use App\Serving\Slots\CodeSlot;
use App\Serving\Slots\CountdownSlot;
use App\Serving\Slots\DoneSlot;
use App\Serving\Slots\DownloadSlot;
use App\Serving\Slots\ErrorSlot;
use App\Serving\Slots\ErrorsSlot;
use App\Serving\Slots\ExtraSlot;
use App\Serving\Slots\HeadSlot;
use App\Serving\Slots\HereSlot;
use App\Serving\Slots\InvalidSlot;
use App\Serving\Slots\LeafSlot;
use App\Serving\Slots\MergeSlot;
use App\Serving\Slots\PageSlot;
use App\Serving\Slots\PickSlot;
use App\Serving\Slots\PopupsSlot;
use App\Serving\Slots\PurchasesSlot;
use App\Serving\Slots\ReadingSlot;
use App\Serving\Slots\ReplaySlot;
use App\Serving\Slots\RoomSlot;
use App\Serving\Slots\SeenSlot;
use App\Serving\Slots\SessionSlot;
use App\Serving\Slots\SessionsSlot;
use App\Serving\Slots\SiteSlot;
use App\Serving\Slots\Slot;
use App\Serving\Slots\SlotKinds;
use App\Serving\Slots\SourceSlot;
use App\Serving\Slots\StepSlot;
use App\Serving\Slots\TickedSlot;
use App\Serving\Slots\TokenSlot;
use App\Serving\Slots\UntilSlot;
use App\Serving\Slots\ValueSlot;
use App\Serving\Slots\WholeSlot;
use App\Serving\ViewReport;
use App\Serving\WrittenDown;
use App\Support\Homes;
use App\Support\Hosts;
use App\Support\Input;
use App\Support\Sqlite\Connector;
use App\Webhooks\Webhooks;
use App\Webinars\RegistersForSessions;
use App\Webinars\RoomNoticeMessage;
use App\Webinars\SessionMessage;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Illuminate\Translation\Translator;
use Lantern\Core\Journey\Effects\AddTag;
use Lantern\Core\Journey\Effects\AskToConfirm;
use Lantern\Core\Journey\Effects\BeginRule;
use Lantern\Core\Journey\Effects\CallAddress;
use Lantern\Core\Journey\Effects\CallHook;
use Lantern\Core\Journey\Effects\CancelEmails;
use Lantern\Core\Journey\Effects\ChangeField;
use Lantern\Core\Journey\Effects\DeliverFile;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\EndAccess;
use Lantern\Core\Journey\Effects\GiveAccess;
use Lantern\Core\Journey\Effects\GiveProduct;
use Lantern\Core\Journey\Effects\RegisterForSession;
use Lantern\Core\Journey\Effects\RemoveTag;
use Lantern\Core\Journey\Effects\SendEmail;
use Lantern\Core\Journey\Effects\SendOneEmail;
use Lantern\Core\Journey\Effects\SendReceipt;
use Lantern\Core\Journey\Effects\StartDeadline;
use Lantern\Core\Journey\Effects\StartSequence;
use Lantern\Core\Journey\Effects\StopSequence;
use Lantern\Core\Journey\Effects\TellOwner;
use Lantern\Core\Journey\Effects\TellOwnerOfPerson;
use Lantern\Core\Journey\Effects\TellOwnerOfReader;
use Lantern\Core\Journey\Effects\TellOwnerOfSale;
use Lantern\Core\Journey\Effects\WriteNote;
use Lantern\Core\Messages\MessageKind;

final class AppServiceProvider extends ServiceProvider
{
    /** @var array<class-string<Effect>, class-string<CarriesOut>> who carries out what the Journey decides */
    private const EFFECTS = [
        AddTag::class => Tagging::class,
        AskToConfirm::class => Confirmations::class,
        RegisterForSession::class => RegistersForSessions::class,
        CallHook::class => Webhooks::class,
        BeginRule::class => BeginsRules::class,
        CallAddress::class => Webhooks::class,
        ChangeField::class => FieldChanges::class,
        EndAccess::class => Accesses::class,
        GiveAccess::class => Accesses::class,
        RemoveTag::class => Tagging::class,
        SendOneEmail::class => Enrolments::class,
        TellOwnerOfPerson::class => PersonNotices::class,
        WriteNote::class => Notes::class,
        CancelEmails::class => Enrolments::class,
        DeliverFile::class => Deliveries::class,
        GiveProduct::class => Accesses::class,
        SendEmail::class => Enrolments::class,
        SendReceipt::class => Receipts::class,
        StartDeadline::class => StartsDeadlines::class,
        StartSequence::class => Enrolments::class,
        StopSequence::class => Enrolments::class,
        TellOwner::class => Notices::class,
        TellOwnerOfReader::class => ReaderNotices::class,
        TellOwnerOfSale::class => SaleNotices::class,
    ];

    /** @var array<string, class-string<KindOfMessage>> what is particular to each kind of message, by its name */
    private const MESSAGES = [
        MessageKind::Sequence->value => SequenceMessage::class,
        MessageKind::Broadcast->value => BroadcastMessage::class,
        MessageKind::Confirmation->value => ConfirmationMessage::class,
        MessageKind::NewLink->value => NewLinkMessage::class,
        MessageKind::Notice->value => NoticeMessage::class,
        MessageKind::Test->value => TestMessage::class,
        MessageKind::Receipt->value => ReceiptMessage::class,
        MessageKind::PaymentTrouble->value => PaymentTroubleMessage::class,
        MessageKind::SaleNotice->value => SaleNoticeMessage::class,
        MessageKind::Session->value => SessionMessage::class,
        MessageKind::RoomNotice->value => RoomNoticeMessage::class,
    ];

    /** @var array<string, class-string<Slot>> what is personal on a published page, by the kind of slot */
    private const SLOTS = [
        'address' => AddressSlot::class,
        'answer' => AnswerSlot::class,
        'at' => StepSlot::class,
        'checkout' => CheckoutSlot::class,
        'code' => CodeSlot::class,
        'countdown' => CountdownSlot::class,
        'done' => DoneSlot::class,
        'download' => DownloadSlot::class,
        'error' => ErrorSlot::class,
        'errors' => ErrorsSlot::class,
        'extra' => ExtraSlot::class,
        'head' => HeadSlot::class,
        'here' => HereSlot::class,
        'invalid' => InvalidSlot::class,
        'leaf' => LeafSlot::class,
        'merge' => MergeSlot::class,
        'page' => PageSlot::class,
        'pick' => PickSlot::class,
        'popups' => PopupsSlot::class, 'seen' => SeenSlot::class,
        'purchases' => PurchasesSlot::class,
        'reading' => ReadingSlot::class,
        'replay' => ReplaySlot::class,
        'room' => RoomSlot::class,
        'session' => SessionSlot::class,
        'sessions' => SessionsSlot::class,
        'site' => SiteSlot::class,
        'source' => SourceSlot::class,
        'ticked' => TickedSlot::class,
        'token' => TokenSlot::class,
        'until' => UntilSlot::class,
        'value' => ValueSlot::class,
        'whole' => WholeSlot::class,
    ];

    public function register(): void
    {
        $this->app->when(SlotKinds::class)->needs('$classes')->give(self::SLOTS);
        $this->app->when(KindsOfMessages::class)->needs('$classes')->give(self::MESSAGES);
        $this->app->when(EffectRunner::class)->needs('$classes')->give(self::EFFECTS);
        $this->app->singleton(Voices::class, fn (): Voices => new Voices(new TranslatedPhrases($this->app->make(Translator::class))));
        $this->app->singleton(SiteLanguage::class);
        $this->app->scoped(Homes::class);
        $this->app->scoped(BusinessRules::class);
        $this->app->scoped(ActingRule::class);
        $this->app->bind('db.connector.sqlite', Connector::class);
        $this->app->bind(LeavesSequences::class, Enrolments::class);
        $this->app->bind(WritesEmails::class, WrittenMessages::class);
        $this->app->bind(Earlier::class, WrittenDown::class);
        $this->app->bind(FollowsDrawing::class, FrontPages::class);
        $this->app->bind(PaymentProvider::class, PracticePayments::class);
        $this->app->bind(Provider::class, MailServers::class);
    }

    public function boot(): void
    {
        if (Front::$fault !== null) {
            report(Front::$fault);
            Front::$fault = null;
        }
        // Addresses are made from the settings, never from what a request says of its host.
        URL::useOrigin(Hosts::site());
        // Each host loads its own script and styles from itself.
        Vite::createAssetPathsUsing(fn (string $path): string => '/'.ltrim($path, '/'));
        TrustProxies::at((array) config('lantern.trusted_proxies'));
        Date::use(CarbonImmutable::class);
        Model::shouldBeStrict();
        Model::unguard();
        RateLimiter::for('sign-in', fn (Request $request): array => [
            Limit::perMinute(4 * (int) config('lantern.sign_ins_per_minute'))->by('ip:'.$request->ip()),
            Limit::perMinute((int) config('lantern.sign_ins_per_minute'))
                ->by('who:'.mb_strtolower(Input::text($request, 'email')).'|'.$request->ip()),
        ]);
        RateLimiter::for('beacon', fn (Request $request): Limit => Limit::perMinute(ViewReport::MOST)->by((string) $request->ip()));
        RateLimiter::for('popups', fn (Request $request): Limit => Limit::perMinute(300)->by((string) $request->ip()));
        // By whose place it is: many may sit behind one address, and nobody's device says more than a word in two seconds.
        RateLimiter::for('room', fn (Request $request): Limit => Limit::perMinute(60)->by('room:'.$request->path()));
        // By whose reading it is, likewise: a device tells of it four times a minute, and of what is written a few times more.
        RateLimiter::for('reading', fn (Request $request): array => [
            Limit::perMinute(120)->by('reading:'.Input::text($request, 'reading')), Limit::perMinute(1200)->by((string) $request->ip())]);
        RateLimiter::for('provider', fn (Request $request): Limit => Limit::perMinute(600)->by((string) $request->ip()));
        RateLimiter::for('new-link', fn (Request $request): Limit => Limit::perMinutes(10, 10)->by((string) $request->ip()));
    }
}
