<?php

declare(strict_types=1);

namespace Tests\Feature\Rehearsal;

use App\Automation\RuleWork;
use App\Deadlines\CloseDeadlines;
use App\Mail\Sending\MessageSender;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Payment;
use App\Models\Person;
use App\Models\Registration;
use App\Orders\Receipts;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Payments\Practice\PracticeCalls;
use App\People\Tags\Tagging;
use App\Records\RegistrationLinks;
use App\Records\Runs;
use App\Serving\TakeWrittenDown;
use App\Support\DueWork;
use App\Webinars\AttendanceResults;
use App\Webinars\Lengths;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Orders\PaymentState;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Links;

/**
 * Makes the choices of a rehearsal in the application itself: over HTTP, with cookies of several devices, a clock that is moved, and the
 * scheduler woken whenever it has something to do. What it comes to is told in the words of {@see Told}.
 */
trait LivePlay
{
    /** Work that does something for a person; reports to the owner and the like change nothing of what they get. */
    private const WAKENED = [TakeWrittenDown::class, CloseDeadlines::class, AttendanceResults::class, RuleWork::class,
        PracticeCalls::class,
        Receipts::class, MessageSender::class];

    private Funnel $funnel;

    private Visitor $visitor;

    /** @var list<array<string, string>> cookies of each device */
    private array $jars = [[]];

    private int $device = 0;

    private string $page = '';

    /** @var array<string, array<string, string>> by device and page: the hidden fields as they were shown last */
    private array $fields = [];

    /** @var list<string> ids of the messages by which they have confirmed */
    private array $confirmed = [];

    /** For the pop-ups of the page that is open. */
    private string $ticket = '';

    /** @var list<string> what they saw, in order */
    private array $seen = [];

    private function begin(Funnel $funnel, Visitor $visitor): void
    {
        [$this->funnel, $this->visitor] = [$funnel, $visitor];
        $this->jars = [$this->newDevice()];
        [$this->device, $this->page, $this->fields, $this->seen] = [0, '', [], []];
    }

    /** @return array<string, string> */
    private function newDevice(): array
    {
        return ['lantern_visitor' => md5('device-'.count($this->jars).uniqid()), 'lantern_zone' => $this->visitor->zone];
    }

    private function does(Choice $choice): void
    {
        match ($choice->kind) {
            ChoiceKind::Come => $this->come($choice->of),
            ChoiceKind::Press => $this->press($choice->to),
            ChoiceKind::Join => $choice->popup === '' ? $this->fillIn($choice) : $this->joinsInPopup($choice),
            ChoiceKind::ClosePopup => $this->closesPopup($choice),
            ChoiceKind::Confirm => $this->confirms(),
            ChoiceKind::Click => $this->clicks($choice),
            ChoiceKind::Buy => $this->pays($choice, Behaviour::Approves),
            ChoiceKind::CardRefused => $this->pays($choice, Behaviour::Declines),
            ChoiceKind::Accept => $this->led($this->send('POST', $this->page, $this->hidden())),
            ChoiceKind::Decline => $this->led($this->ask($this->path($this->page).'?answer=no')),
            ChoiceKind::Attend => $this->attends($choice),
            ChoiceKind::WatchReplay => $this->watchesReplay($choice),
            ChoiceKind::Unsubscribe => $this->leaves(),
            ChoiceKind::GetTag => $this->getsTag($choice->of),
            ChoiceKind::OtherDevice => $this->changes(),
            default => null,
        };
        $this->wakes();
    }

    private function plan(): Plan
    {
        return $this->funnel->refresh()->liveVersion?->plan() ?? throw new \LogicException('It is live.');
    }

    private function person(): ?Person
    {
        return Person::query()->with('business')->where('email', $this->visitor->email)->first();
    }

    // --- what a browser does

    private function path(string $page): string
    {
        $address = $this->plan()->page($page)->address ?? '';

        return "/{$this->funnel->address}".($address === '' ? '' : "/{$address}");
    }

    /** @param  array<string, mixed>  $data */
    private function request(string $method, string $url, array $data = [], bool $json = false): TestResponse
    {
        $this->defaultCookies = [];
        $this->unencryptedCookies = $this->jars[$this->device];
        $this->withHeaders(['Accept-Language' => 'en-GB', 'Sec-Fetch-Mode' => 'navigate', 'Sec-Fetch-Dest' => 'document',
            'Sec-Fetch-User' => '?1', 'Origin' => $this->funnel->business->site()->to('')]);
        $answer = $json ? $this->postJson($url, $data) : $this->call($method, $url, $data, $this->jars[$this->device],
            server: $this->transformHeadersToServerVars($this->defaultHeaders));
        foreach ($answer->headers->getCookies() as $cookie) {
            $this->jars[$this->device][$cookie->getName()] = (string) $cookie->getValue();
            if ($cookie->getExpiresTime() !== 0 && $cookie->getExpiresTime() < now()->getTimestamp()) {
                unset($this->jars[$this->device][$cookie->getName()]);
            }
        }

        return $answer;
    }

    private function ask(string $url): TestResponse
    {
        return $this->request('GET', $url);
    }

    /** @param  array<string, mixed>  $data */
    private function send(string $method, string $page, array $data): TestResponse
    {
        return $this->request($method, $this->path($page), $data);
    }

    private function come(string $page): void
    {
        $this->look($this->path($page === '' ? $this->plan()->entry()->id ?? '' : $page));
    }

    /** Goes to an address, along wherever it leads; whoever sees a page reports that, as its script does. */
    private function look(string $url): void
    {
        $this->led($this->ask($url), $url);
    }

    private function led(TestResponse $answer, string $url = ''): void
    {
        for ($step = 0; $step < 8 && $answer->isRedirect(); $step++) {
            $url = (string) $answer->headers->get('Location');
            if (! str_starts_with($url, $this->funnel->business->site()->to('/')) && str_starts_with($url, 'http')) {
                $this->page = '';
                $this->seen[] = 'away';

                return;
            }
            $url = (string) preg_replace('~^https?://[^/]+~', '', $url);
            $answer = $this->ask($url);
        }
        $html = (string) $answer->getContent();
        if ($answer->getStatusCode() === 422) {
            $this->seen[] = 'notice';
            $this->remember($html);
            $this->ticket = str_contains($html, ' data-popups=') ? $this->askForPopups() : '';

            return;
        }
        if ($answer->getStatusCode() !== 200 || preg_match('/data-page="([0-9a-z]{26})"/', $html, $m) !== 1) {
            self::assertLessThan(500, $answer->getStatusCode(), substr(strip_tags($html), 0, 300));
            $this->page = '';
            $this->seen[] = 'notice';

            return;
        }
        $this->page = $m[1];
        $this->seen[] = $this->page;
        $this->remember($html);
        if (! str_contains($html, ' data-seen')) {
            $this->request('POST', '/m/view', ['funnel' => $this->funnel->id, 'page' => $this->page,
                'visitor' => $this->jars[$this->device]['lantern_visitor'], 'source' => '', 'from' => ''], true);
        }
        $this->ticket = str_contains($html, ' data-popups=') ? $this->askForPopups() : '';
    }

    /** What the script of a page with pop-ups asks when the page is there; a ticket for this view. */
    private function askForPopups(): string
    {
        return (string) $this->request('POST', '/w/ask', ['funnel' => $this->funnel->id,
            'page' => $this->page, 'visitor' => $this->jars[$this->device]['lantern_visitor'], 'source' => '', 'languages' => 'en'])
            ->assertOk()->json('ticket', '');
    }

    /** It is shown, as the rehearsal says that it is. */
    private function opensPopup(string $popup): TestResponse
    {
        $trigger = $this->plan()->popup($popup)->triggers[0]->kind->value ?? '';

        return $this->request('POST', '/w/show', ['ticket' => $this->ticket, 'popup' => $popup, 'trigger' => $trigger, 'after' => '4200'])
            ->assertJsonPath('show', true);
    }

    private function closesPopup(Choice $choice): void
    {
        $this->opensPopup($choice->of);
        $this->request('POST', '/w/report', ['ticket' => $this->ticket, 'popup' => $choice->of, 'type' => 'closed'])->assertNoContent();
    }

    private function joinsInPopup(Choice $choice): void
    {
        $token = (string) $this->opensPopup($choice->popup)->json('token');
        $joined = $this->request('POST', '/w/join', ['ticket' => $this->ticket, 'popup' => $choice->popup, 'token' => $token]
            + $this->typed($choice))->assertOk();
        if (is_string($joined->json('go')) && $joined->json('go') !== '') {
            $this->look($joined->json('go'));
        }
    }

    private function remember(string $html): void
    {
        preg_match_all('/<input type="hidden" name="(\w+)" value="([^"]*)"/', $html, $f);
        $this->fields["{$this->device} {$this->page}"] = array_combine($f[1], array_map(html_entity_decode(...), $f[2]));
    }

    /** @return array<string, string> */
    private function hidden(): array
    {
        return $this->fields["{$this->device} {$this->page}"] ?? [];
    }

    private function press(string $link): void
    {
        [$kind, $to] = explode(':', $link, 2);
        $way = $kind === 'page' ? null : $this->plan()->way($this->page, Outcome::from($to));
        $this->come($kind === 'page' ? $to : $way->toPage ?? '');
    }

    private function fillIn(Choice $choice): void
    {
        $this->led($this->send('POST', $this->page, $this->typed($choice) + $this->hidden()));
    }

    /** @return array<string, string> */
    private function typed(Choice $choice): array
    {
        $form = $this->plan()->form($choice->of) ?? throw new \LogicException('There is such a form.');
        $typed = ['form' => $form->id, 'email' => $this->visitor->email, 'first_name' => $this->visitor->firstName(), 'consent' => 'yes',
            'marketing' => 'yes', 'zone' => $this->visitor->zone, 'visitor' => $this->jars[$this->device]['lantern_visitor']];
        if ($form->webinar !== '') {
            $webinar = $this->plan()->webinar($form->webinar);
            $first = $webinar?->sessions()->offered(CarbonImmutable::now(), $this->visitor->zone())[0]->session->key ?? '';
            $typed['webinar_session'] = $choice->session === '' ? $first : $choice->session;
        }

        return $typed;
    }

    private function confirms(): void
    {
        $message = Message::query()->where('kind', 'confirm')->where('state', 'sent')->whereNotIn('id', $this->confirmed)->latest('id')
            ->firstOrFail();
        self::assertSame(1, preg_match('~href="[^"]*(/c/[^"]+)"~', (string) $message->html, $m));
        $answer = $this->request('POST', html_entity_decode($m[1]));
        // One that has run out stays where it is.
        $this->confirmed = $answer->isRedirect() ? [...$this->confirmed, $message->id] : $this->confirmed;
        $this->led($answer);
    }

    private function clicks(Choice $choice): void
    {
        if ($choice->to === 'purchases') {
            $message = Message::query()->where('kind', 'receipt')->where('state', 'sent')->latest('id')->firstOrFail();
            self::assertSame(1, preg_match('~href="[^"]*(/my/[0-9a-z]{26}/[^"]+)"~', (string) $message->html, $m));
            $this->ask(html_entity_decode($m[1]))->assertOk();

            return;
        }
        $message = Message::query()->where('email_id', $choice->of)->where('state', 'sent')->orderBy('id')->firstOrFail();
        $links = array_map(fn (string $href): string => Links::ofEmail("<a href=\"{$href}\">x</a>")[0] ?? '',
            EmailBody::links($this->plan()->email($choice->of)->body ?? ''));
        preg_match_all('~href="[^"]*?(/l/[^"]+)"~', (string) $message->html, $m);
        $at = array_search($choice->to, $links, true);
        self::assertIsInt($at, "{$choice->to} in ".implode(' ', $links));
        $this->travel(0)->seconds();
        $answer = $this->ask(html_entity_decode($m[1][$at]));
        if (! $answer->isRedirect()) {
            // It is not sure that it is a person: they press the button.
            $answer = $this->request('POST', html_entity_decode($m[1][$at]));
        }
        $this->led($answer);
    }

    private function pays(Choice $choice, Behaviour $card): void
    {
        $before = Payment::query()->count();
        $answer = $this->send('POST', $this->page, ['email' => $this->visitor->email, 'name' => $this->visitor->name,
            'marketing' => 'yes', 'zone' => $this->visitor->zone, 'method' => self::card($card), 'bump' => $choice->bumps] + $this
                ->hidden());
        if ($answer->getStatusCode() === 409 || $answer->getStatusCode() === 410) {
            [$this->page] = [''];

            return;
        }
        if ($answer->isRedirect() || ($answer->getStatusCode() === 422 && Payment::query()->count() === $before)) {
            $this->led($answer);
        }
    }

    private static function card(Behaviour $card): string
    {
        return app(PracticeBank::class)->keepCard($card);
    }

    private function registration(string $webinar): Registration
    {
        return Registration::query()->where('person_id', $this->person()?->id)->where('webinar_id', $webinar)->where('state', '!=',
            'cancelled')->orderByRaw('open is null')->latest('id')->firstOrFail();
    }

    private function attends(Choice $choice): void
    {
        $registration = $this->registration($choice->of);
        $begins = max(CarbonImmutable::instance($registration->starts_at), CarbonImmutable::now());
        $this->until($begins);
        $this->look(RegistrationLinks::path($registration));
        $this->plays($choice, 'live', (int) CarbonImmutable::instance($registration->starts_at)->diffInSeconds(CarbonImmutable::now()));
    }

    private function watchesReplay(Choice $choice): void
    {
        $this->look(RegistrationLinks::path($this->registration($choice->of)).'/replay');
        if ($this->page === $this->plan()->pageOf(PageRole::Replay)?->id) {
            $this->plays($choice, 'replay', 0);
        }
    }

    private function plays(Choice $choice, string $kind, int $from): void
    {
        $webinar = $this->plan()->webinar($choice->of) ?? throw new \LogicException('There is such a webinar.');
        $until = min(Lengths::seconds($webinar), $from + max(1, $choice->minutes) * 60);
        $offer = $webinar->offer?->second;
        $stops = array_values(array_filter([$offer === null ? null : $offer + 1, $kind === 'replay' ? 60 : null],
            fn (?int $s): bool => $s !== null && $s > $from && $s < $until));
        sort($stops);
        $report = fn (array $played): TestResponse => $this->request('POST', RegistrationLinks::path($this->registration($choice->of))
            .'/report', ['device' => '00112233445566aa', 'kind' => $kind, 'played' => $played], true);
        if ($report([])->getStatusCode() === 409) {
            return;
        }
        $began = CarbonImmutable::now()->subSeconds($from);
        foreach ([...$stops, $until] as $second) {
            $this->until($began->addSeconds($second));
            $report([[$from, $second]])->assertSuccessful();
        }
    }

    private function leaves(): void
    {
        $message = Message::query()->where('kind', 'sequence')->where('state', 'sent')->latest('id')->firstOrFail();
        self::assertSame(1, preg_match('~href="[^"]*(/u/[^"]+)"~', (string) $message->html, $m));
        $this->request('POST', html_entity_decode($m[1]))->assertSuccessful();
    }

    private function getsTag(string $tag): void
    {
        $person = $this->person() ?? Person::query()->create(['business_id' => $this->funnel->business_id, 'email' => $this->visitor->email,
            'email_key' => $this->visitor->email, 'joined_at' => now(), 'timezone' => $this->visitor->zone,
            'first_name' => $this->visitor->firstName(), 'last_name' => $this->visitor->lastName()]);
        app(Tagging::class)->add($person, $tag, CarbonImmutable::now());
    }

    private function changes(): void
    {
        $this->jars[] = $this->newDevice();
        $this->device = count($this->jars) - 1;
        $this->page = '';
    }

    // --- time

    /** Time passes, and the application is woken at each moment at which it has something to do. */
    private function until(DateTimeImmutable $to): void
    {
        $this->wakes();
        while (($next = $this->nextMoment()) !== null && $next <= $to) {
            // What waits for a grace to pass says so with each look; it is looked at every minute.
            $this->travelTo($next > CarbonImmutable::now() ? $next : min(CarbonImmutable::now()->addMinute()->startOfMinute(),
                CarbonImmutable::instance($to)));
            $this->wakes();
            if (CarbonImmutable::now() >= $to) {
                break;
            }
        }
        $this->travelTo(max(CarbonImmutable::instance($to), CarbonImmutable::now()));
        $this->wakes();
    }

    private function nextMoment(): ?CarbonImmutable
    {
        $moments = array_filter(array_map(fn (string $class): ?CarbonImmutable => $this->work($class)->next(CarbonImmutable::now()),
            self::WAKENED));

        return $moments === [] ? null : min($moments);
    }

    private function work(string $class): DueWork
    {
        return app($class);
    }

    private function wakes(): void
    {
        for ($more = 0; $more < 5; $more++) {
            $this->artisan('lantern:due')->assertSuccessful();
            $this->runQueue();
            $next = $this->nextMoment();
            if ($next === null || $next > CarbonImmutable::now()) {
                break;
            }
        }
    }

    // --- what it comes to

    /** @return array<string, mixed> */
    private function comesTo(): array
    {
        $person = $this->person();
        $runs = $person === null ? [] : Runs::ofPeople([$person->id], array_map(fn (Deadline $d): string => $d->id,
            $this->plan()->deadlines), CarbonImmutable::now())[$person->id] ?? [];

        return Told::of(
            $this->page, $this->seen,
            Message::query()->whereNotNull('email_id')->where('state', 'sent')->orderBy('sent_at')->orderBy('id')->get()
                ->map(fn (Message $m): array => [(string) $m->email_id, $m->sent_at ?? throw new \LogicException('It was sent.')])->all(),
            $person === null ? [] : $person->tags()->pluck('name')->all(),
            array_map(fn (Run $r): DateTimeImmutable => $r->endsAt, $runs),
            (int) Payment::query()->where('state', PaymentState::Paid)->sum('amount'),
            Message::query()->where('kind', 'receipt')->where('state', 'sent')->count(),
            $person?->subscription()->value ?? '',
        );
    }
}
