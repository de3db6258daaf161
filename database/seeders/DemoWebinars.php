<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\NewFunnel;
use App\Files\Uploads;
use App\Forms\Signup;
use App\Forms\TakeSignup;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Mail\Sending\MessageSender;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Registration;
use App\Models\User;
use App\Orders\Attempt;
use App\Orders\Payments;
use App\Orders\PlaceOrder;
use App\Orders\Receipts;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Publishing\Publishing;
use App\Support\DemoProgress;
use App\Support\Instant;
use App\Webinars\AttendanceResults;
use App\Webinars\ControlRoom;
use App\Webinars\LiveRoom;
use App\Webinars\Polls;
use App\Webinars\Presence;
use App\Webinars\Questions;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Offers\LineKind;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Offers\Quote;
use Lantern\Core\Offers\Wanted;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\WatchKind;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;
use RuntimeException;

/** The webinars of the demo: three live sessions behind us and one next week, and one from a recording that can be watched at once. */
final class DemoWebinars
{
    private const TITLE = 'From Open Strings to Your First Melody';

    /** Minutes into the hour at which the offer is shown, and at which it ends. */
    private const OFFER = 41;

    private const END = 58;

    private const QUESTIONS = [
        [6, 'I am 61 and have never read music. Is that a problem?', 'Not at all. We begin by ear; the notes come in week four.'],
        [14, 'My bow shakes on the D string. Am I holding it too tightly?', ''],
        [22, 'How do you tune without an app?', ''],
        [35, 'Do I need a better cello first?', 'No. A cello that holds its tuning is good enough for the first year.'],
        [47, 'Are the twelve weeks live, or recorded?', 'Both: a lesson to watch, and an hour together every other week.'],
        [52, 'Can I begin later than the others?', ''],
    ];

    private DemoCrowd $crowd;

    private Funnel $funnel;

    private string $webinar;

    private CarbonImmutable $end;

    /** @var array<string, string> visitors by the id of their registration */
    private array $visitors = [];

    public function __construct(
        private readonly NewFunnel $new,
        private readonly Uploads $uploads,
        private readonly Publishing $publishing,
        private readonly TakeSignup $takeSignup,
        private readonly Events $events,
        private readonly ControlRoom $control,
        private readonly Presence $presence,
        private readonly Questions $questions,
        private readonly AttendanceResults $settling,
        private readonly MessageSender $sender,
        private readonly PlaceOrder $place,
        private readonly Payments $payments,
        private readonly PracticeBank $bank,
        private readonly Receipts $receipts,
        private readonly DemoMail $mail,
        private readonly DemoProgress $progress,
    ) {
    }

    public function hold(Business $business, DemoCrowd $crowd, CarbonImmutable $now): void
    {
        $this->crowd = $crowd;
        $this->end = $now;
        $zone = $business->timezone;
        $last = $now->setTimezone($zone)->subDay()->previous('Tuesday')->setTime(18, 0)->utc();
        $past = [$last->subWeeks(4), $last->subWeeks(2), $last];
        $next = $now->setTimezone($zone)->addDays(6)->setTime(18, 0)->utc();
        CarbonImmutable::setTestNow($past[0]->subDays(15));
        $this->live($business, [...$past, $next]);
        $part = max(1, (int) config('lantern.demo_part'));
        foreach ($past as $i => $starts) {
            $this->progress->at($this->funnel->name, $i, count($past) + 1);
            $this->session($starts, intdiv([12, 14, 17][$i], $part), [0.52, 0.58, 0.61][$i], $now);
        }
        $this->progress->at($this->funnel->name, count($past), count($past) + 1);
        $this->registerMany($next, intdiv(12, $part), $now);
        $this->sendDue($now);
        CarbonImmutable::setTestNow($now->subDays(3));
        $this->automated($business);
    }

    /** @param  list<CarbonImmutable>  $dates */
    private function live(Business $business, array $dates): void
    {
        $this->funnel = $this->new->fromStarter($business, Goal::Webinar, 'First Melody, live', self::TITLE, null,
            Money::of(29_000, Currency::of('EUR')), WebinarMode::Live);
        $this->funnel->forceFill(['address' => 'first-melody', 'look' => 'salon'])->save();
        $this->webinar = DraftPart::there($this->funnel->id, Webinar::kind())->sole()->id;
        $schedule = $this->drafted()->schedule->toArray();
        $offer = $this->drafted()->offer->offer ?? '';
        $wall = array_map(fn (CarbonImmutable $d): string => $d->setTimezone($business->timezone)->format('Y-m-d\TH:i'), $dates);
        DraftPart::query()->findOrFail($this->webinar)->change(['name' => 'First melody', 'video' => $this->recording($business),
            'captions' => $this->captions($business), 'offer' => ['offer' => $offer], 'chapters' => self::chapters(),
            'schedule' => ['dates' => $wall] + $schedule, 'tags' => ['attended' => ['Came to First Melody']]])->save();
        $this->prices($this->funnel);
        $this->publishing->publish($this->funnel, User::query()->first(), 'Every other Tuesday');
        $this->funnel->refresh()->load(['liveVersion', 'business']);
    }

    private function automated(Business $business): void
    {
        $funnel = $this->new->fromStarter($business, Goal::Webinar, 'First Melody, automated', self::TITLE, null,
            Money::of(29_000, Currency::of('EUR')), WebinarMode::Automated);
        $funnel->forceFill(['address' => 'first-melody-now', 'look' => 'salon'])->save();
        $row = DraftPart::there($funnel->id, Webinar::kind())->sole();
        $webinar = $row->part();
        $row->change(['name' => 'First melody, from the recording', 'video' => $this->recording($business),
            'captions' => $this->captions($business), 'chapters' => self::chapters(),
            'schedule' => ['minutes' => 3] + ($webinar instanceof Webinar ? $webinar->schedule->toArray() : []),
            'offer' => ['offer' => $webinar instanceof Webinar ? (string) $webinar->offer?->offer : '', 'second' => 90],
            'replay' => ['delay' => 10, 'days' => 3, 'time' => '23:00']])->save();
        $this->prices($funnel);
        $this->publishing->publish($funnel, User::query()->first(), 'From the recording');
    }

    /** @return list<array{second: int, title: string}> */
    private static function chapters(): array
    {
        return [['second' => 0, 'title' => 'Welcome'], ['second' => 12, 'title' => 'The four strings'],
            ['second' => 40, 'title' => 'The first finger'], ['second' => 66, 'title' => 'Four notes are a melody'],
            ['second' => 90, 'title' => 'How we can go on together']];
    }

    private function recording(Business $business): string
    {
        return $this->uploads->video($business, self::media('first-melody.webm'))->id;
    }

    private function captions(Business $business): string
    {
        return $this->uploads->captions($business, self::media('first-melody.vtt'))->id;
    }

    private static function media(string $name): UploadedFile
    {
        return new UploadedFile(database_path("demo/media/{$name}"), $name, null, null, true);
    }

    private function prices(Funnel $funnel): void
    {
        foreach (DraftPart::there($funnel->id, Offer::kind())->get() as $row) {
            $offer = $row->part();
            if ($offer instanceof Offer) {
                $euros = ['A private hour' => 60, 'The recordings' => 25, 'Introductory price' => 190][$offer->name] ?? 290;
                $row->change(['price' => ['kind' => 'once', 'amount' => $euros * 100, 'currency' => 'EUR']])->save();
            }
        }
        foreach (DraftPart::there($funnel->id, Product::kind())->get() as $i => $row) {
            $row->change(['name' => ['First Season', 'Tune-Up Clinic', 'Recorded Warm-Ups'][$i] ?? 'First Season'])->save();
        }
    }

    /** One session from its first registration to the sales in the days after it. */
    private function session(CarbonImmutable $starts, int $people, float $come, CarbonImmutable $now): void
    {
        $registered = $this->registerMany($starts, $people, $now);
        $this->sendDue($starts);
        $session = new Session('s'.$starts->format('YmdHi'), $starts, $starts->addMinutes(60), $this->drafted()->zone());
        $begun = $starts->addMinutes(2);
        $this->act($session, 'begin', $begun);
        $plans = [];
        foreach ($registered as $registration) {
            if (! $this->crowd->chance($come)) {
                continue;
            }
            $from = $this->crowd->chance(0.7) ? $this->crowd->between(0, 120) : $this->crowd->between(120, 1500);
            $until = match (true) {
                $this->crowd->chance(0.2) => $from + $this->crowd->between(180, 1500),
                $this->crowd->chance(0.15) => $this->crowd->between(self::OFFER * 60 + 20, self::OFFER * 60 + 400),
                default => $this->crowd->between(self::END * 60 - 420, self::END * 60),
            };
            $plans[] = [$registration, min($from, $until - 60), min($until, self::END * 60)];
        }
        $this->play($session, $begun, $plans);
        CarbonImmutable::setTestNow($begun->addMinutes(self::END));
        $this->act($session, 'end', $begun->addMinutes(self::END));
        CarbonImmutable::setTestNow($begun->addMinutes(self::END + 1));
        $this->settling->work(CarbonImmutable::now());
        $this->sendDue(min($now, $starts->addHours(6)));
        $this->afterwards($registered, $starts, $now);
        $this->sendDue(min($now, $starts->addDays(5)));
    }

    /**
     * What happens in the room, in the order in which it happens.
     *
     * @param  list<array{Registration, int, int}>  $plans  who is there, from and until a second
     */
    private function play(Session $session, CarbonImmutable $begun, array $plans): void
    {
        $moments = [[self::OFFER * 60, fn () => $this->act($session, 'offer', $begun->addMinutes(self::OFFER))]];
        $moments[] = [18 * 60, function () use ($session): void {
            Polls::open($this->funnel->business_id, $this->webinar, $session->key, 'How long have you been playing?',
                ['Not yet', 'Under a year', 'Longer'], CarbonImmutable::now());
        }];
        $moments[] = [21 * 60, fn () => Polls::close($this->webinar, $session->key, CarbonImmutable::now())];
        foreach ($plans as $i => [$registration, $from, $until]) {
            $device = substr(md5($registration->id), 0, 16);
            $report = fn (int $a, int $b) => $this->presence->report($registration->refresh()->load(['funnel.liveVersion', 'person']),
                LiveRoom::of($registration), $device, WatchKind::Live, [[$a, $b]], CarbonImmutable::now());
            $moments[] = [$from, function () use ($registration, $report, $from): void {
                $this->view($registration, PageRole::Room);
                $report($from, $from);
            }];
            $middle = self::OFFER * 60 + 35;
            if ($from < $middle && $until > $middle) {
                $moments[] = [$middle, fn () => $report($from, $middle)];
            }
            $moments[] = [$until, fn () => $report($from, $until)];
            if ($from < 18 * 60 && $until > 21 * 60 && $this->crowd->chance(0.6)) {
                $moments[] = [19 * 60, function () use ($registration): void {
                    $poll = DB::table('room_polls')->where('session_key', $registration->session_key)->value('id');
                    Polls::vote($registration, (string) $poll, $this->crowd->between(0, 2));
                }];
            }
            [$minute, $words, $answer] = self::QUESTIONS[$i] ?? [null, '', ''];
            if ($minute !== null && $from < $minute * 60 && $until > $minute * 60) {
                $moments[] = [$minute * 60, function () use ($registration, $device, $words, $answer, $minute): void {
                    $this->questions->ask($registration, LiveRoom::of($registration), $device, $words, $minute * 60,
                        CarbonImmutable::now());
                    DB::table('room_questions')->where('registration_id', $registration->id)->where('words', $words)
                        ->update($answer === '' ? ['state' => 'aired'] : ['state' => 'answered', 'answer' => $answer]);
                }];
            }
        }
        usort($moments, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($moments as [$second, $do]) {
            CarbonImmutable::setTestNow($begun->addSeconds($second));
            $do();
        }
    }

    private function act(Session $session, string $act, CarbonImmutable $at): void
    {
        CarbonImmutable::setTestNow($at);
        $this->control->act($this->funnel, $this->drafted(), $session, $act, $at);
    }

    /**
     * @return list<Registration>
     */
    private function registerMany(CarbonImmutable $starts, int $people, CarbonImmutable $now): array
    {
        $from = $starts->subDays(12);
        $minutes = array_map(fn (): int => $this->crowd->between(0, 12 * 1440 - 90), range(1, max(1, $people)));
        sort($minutes);
        $registered = [];
        foreach ($minutes as $minute) {
            $at = $from->addMinutes($minute);
            if ($at >= $now->subMinutes(5)) {
                continue;
            }
            $this->sendDue($at);
            $registered[] = $this->register($starts, $at);
        }

        return $registered;
    }

    private function register(CarbonImmutable $starts, CarbonImmutable $at): Registration
    {
        $version = $this->funnel->liveVersion ?? throw new RuntimeException('The funnel is not live.');
        $plan = $version->plan();
        $visitor = $this->crowd->visitorId();
        $source = $this->crowd->source();
        foreach (range(1, 2) as $n) {
            $other = $n === 1 ? $visitor : $this->crowd->visitorId();
            CarbonImmutable::setTestNow($at->subMinutes($n));
            $this->events->take(new NewEvent(EventType::Viewed, $this->funnel->business, $at->subMinutes($n), $this->funnel, $version,
                $plan->pages[0]->id, visitor: $other, source: $source, device: DemoResults::device($other)));
        }
        CarbonImmutable::setTestNow($at);
        [$submission] = $this->takeSignup->take(new Signup($this->funnel, $version, $plan->pages[0], $plan->forms[0],
            Answers::read($plan->forms[0], $this->crowd->somebody()), md5($visitor), $at, $visitor, $this->crowd->zone(),
            $source === null ? [] : ['utm_source' => $source], '192.0.2.9', 'Demo browser', session: 's'.$starts->format('YmdHi')));

        $registration = Registration::query()->where('submission_id', $submission->id)->sole();
        $this->visitors[$registration->id] = $visitor;
        $this->view($registration, PageRole::Confirmation);

        return $registration;
    }

    private function view(Registration $registration, PageRole $role): void
    {
        $pages = array_values(array_filter($this->plan()->pages, fn (PagePlan $page): bool => $page->role === $role));
        $this->events->take(new NewEvent(EventType::Viewed, $this->funnel->business, CarbonImmutable::now(), $this->funnel,
            $this->funnel->liveVersion, $pages[0]->id, visitor: $this->visitors[$registration->id],
            device: DemoResults::device($this->visitors[$registration->id])));
    }

    /**
     * Some of those who missed it or left early watch the replay; some of those who saw the offer buy.
     *
     * @param  list<Registration>  $registered
     */
    private function afterwards(array $registered, CarbonImmutable $starts, CarbonImmutable $now): void
    {
        foreach ($registered as $registration) {
            $registration->refresh()->load(['funnel.liveVersion', 'person', 'version']);
            $at = $starts->addHours($this->crowd->between(4, 40));
            if ($registration->attended_at === null && $this->crowd->chance(0.42) && $at < $now) {
                CarbonImmutable::setTestNow($at);
                $this->view($registration, PageRole::Replay);
                $room = LiveRoom::of($registration);
                $device = substr(md5("replay{$registration->id}"), 0, 16);
                $this->presence->report($registration, $room, $device, WatchKind::Replay, [], $at);
                $until = $this->crowd->between(70, 150);
                CarbonImmutable::setTestNow($at->addSeconds($until));
                $this->presence->report($registration, $room, $device, WatchKind::Replay, [[0, $until]], $at->addSeconds($until));
            }
            $at = $starts->addMinutes($this->crowd->between(65, 2800));
            if ($registration->refresh()->saw_offer_at !== null && $this->crowd->chance(0.16) && $at < $now->subMinutes(10)) {
                $this->buy($registration, $at);
            }
        }
    }

    private function buy(Registration $registration, CarbonImmutable $at): void
    {
        CarbonImmutable::setTestNow($at);
        $plan = $this->plan();
        $offer = array_values(array_filter($plan->offers, fn (Offer $o): bool => $o->id === $this->drafted()->offer?->offer))[0]
            ?? throw new RuntimeException('The webinar offers nothing.');
        $pages = array_values(array_filter($plan->pages, fn ($p): bool => $plan->offerOn($p)?->id === $offer->id && $p->address
            === 'order-introductory'));
        $product = $plan->product($offer->product) ?? throw new RuntimeException('There is no such product.');
        $person = $registration->person;
        $order = $this->place->place(new Attempt($this->funnel, $this->funnel->liveVersion ?? throw new RuntimeException, $pages[0],
            Quote::of([Wanted::of(LineKind::Main, $offer, $product)], TaxRate::of(1900), null), EmailAddress::of($person->email),
            $person->fullName(), md5("order{$registration->id}"), $at, $this->bank->keepCard(Behaviour::Approves),
            visitor: $this->crowd->visitorId(), zone: $person->timezone, ip: '192.0.2.9'));
        $this->payments->ask($order->payments[0]->setRelation('order', $order->load(['funnel.business', 'lines'])));
        $this->receipts->issueDue();
    }

    /** What has become due by now is sent, each at its moment. */
    private function sendDue(CarbonImmutable $until): void
    {
        foreach (Message::query()->where('funnel_id', $this->funnel->id)->where('state', MessageState::Waiting)
            ->where('due_at', '<=', Instant::sql($until))->orderBy('due_at')->get(['id', 'due_at']) as $message) {
            CarbonImmutable::setTestNow($message->due_at->addSecond());
            $sent = $this->sender->send($message->id);
            if ($sent?->state === MessageState::Sent) {
                $this->mail->read($sent, $this->crowd, $this->end);
            }
        }
        CarbonImmutable::setTestNow($until);
    }

    private function plan(): Plan
    {
        return $this->funnel->liveVersion?->plan() ?? throw new RuntimeException('The funnel is not live.');
    }

    private function drafted(): Webinar
    {
        $part = DraftPart::query()->findOrFail($this->webinar)->part();

        return $part instanceof Webinar ? $part : throw new RuntimeException('There is no webinar.');
    }
}
