<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Forms\FormToken;
use App\Front\Answer;
use App\Front\Front;
use App\Front\FrontPages;
use App\Front\FrontSettings;
use App\Http\Middleware\TakesSignupsIn;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Serving\WrittenDown;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Exceptions;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/**
 * Forms are written down before the framework starts, and taken in a moment later. That the same follows both ways,
 * {@see \Tests\BothWays} holds for a form of each test.
 */
final class FrontSignupsTest extends TestCase
{
    private const BROWSER = 'aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa';

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->funnel = $this->live();
    }

    /**
     * @param  array<array-key, mixed>  $sent
     * @param  array<string, mixed>  $server
     * @param  array<string, mixed>  $cookies
     */
    private function send(array $sent = [], array $server = [], array $cookies = [], ?FrontSettings $settings = null): ?Answer
    {
        $answer = Front::answer(base_path(), $server + ['REQUEST_METHOD' => 'POST', 'REQUEST_URI' => "/{$this->funnel->address}",
            'QUERY_STRING' => '', 'HTTP_HOST' => 'localhost', 'SCRIPT_NAME' => '/index.php', 'REMOTE_ADDR' => '203.0.113.9',
            'HTTP_USER_AGENT' => self::CHROME], $cookies, $settings ?? FrontPages::settings(), DB::connection()->getPdo(),
            now()->toImmutable(), $sent + $this->filledIn());
        self::assertNull(Front::$fault, (string) Front::$fault);

        return $answer;
    }

    /** @return array<string, string> */
    private function filledIn(): array
    {
        return ['email' => 'robin@example.com', 'first_name' => 'Robin', 'visitor' => self::BROWSER, 'zone' => 'Asia/Calcutta',
            'source' => 'utm_source=talk', 'website' => '', 'form' => (string) $this->funnel->parts()->where('kind', 'form')->value('id'),
            'token' => FormToken::issue($this->entry($this->funnel)->id, now()->subSeconds(9))];
    }

    private static function waiting(): int
    {
        return DB::table('received_signups')->count();
    }

    /** The cookies of an answer, as the browser brings them. */
    private function keep(?Answer $answer): void
    {
        foreach ($answer->cookies ?? [] as $line) {
            [$name, $value] = explode('=', explode(';', $line)[0], 2);
            $value === 'deleted' ? null : $this->withUnencryptedCookie($name, rawurldecode($value));
        }
    }

    public function test_it_is_written_down_at_once_and_taken_in_by_the_next_step_as_of_the_moment_at_which_it_was_sent(): void
    {
        $answer = $this->send();
        self::assertSame([303, $this->funnel->url('thank-you'), 12, 1, 0], [$answer?->status, $answer->headers['Location'] ?? '',
            strlen((string) $answer?->later), self::waiting(), Person::query()->count()]);
        $this->keep($answer);
        $at = now();
        $this->travel(90)->seconds();

        // The page after it greets and gives the file without waiting for what follows.
        $page = (string) $this->get("/{$this->funnel->address}/thank-you")->assertOk()->getContent();
        self::assertSame(1, $this->answeredByFront);
        self::assertStringContainsString('Robin', $page);
        self::assertSame(1, preg_match('~href="(/s/[^"]+)"~', $page, $link));
        self::assertSame(0, self::waiting(), 'the framework, asked for the same page, took it in');
        $this->get(html_entity_decode($link[1]))->assertOk()->assertHeader('content-type', 'application/pdf');

        $person = Person::query()->sole();
        self::assertSame(['robin@example.com', 'Robin', 'Asia/Kolkata'], [$person->email, $person->first_name, $person->timezone]);
        $event = DB::table('events')->where('type', 'joined')->sole();
        self::assertSame([$at->format('Y-m-d H:i:s.u'), 'talk', self::BROWSER], [$event->at, $event->last_touch, $event->visitor]);
        self::assertSame(1, DB::table('deliveries')->sole()->downloads);
        self::assertSame(['203.0.113.9', self::CHROME], [Submission::query()->sole()->ip, Submission::query()->sole()->user_agent]);
    }

    public function test_the_page_after_it_is_the_same_before_it_is_taken_in(): void
    {
        $this->keep($this->send());
        $before = $this->frontAnswer('GET', "/{$this->funnel->address}/thank-you", $this->unencryptedCookies, []);
        self::assertSame(1, self::waiting());
        app(WrittenDown::class)->takeAll();
        $after = $this->frontAnswer('GET', "/{$this->funnel->address}/thank-you", $this->unencryptedCookies, []);

        self::assertStringContainsString('/s/', (string) $before?->body);
        self::assertSame([$before?->body, $before?->headers], [$after?->body, $after?->headers]);
    }

    public function test_lantern_due_the_studio_and_what_the_same_browser_does_next_take_it_in(): void
    {
        $owner = \App\Models\User::query()->sole();
        foreach ([fn () => $this->artisan('lantern:due'), fn () => $this->actingAs($owner)->getJson('/studio/api/people')->assertOk(),
            fn () => $this->post('/m/view', ['funnel' => $this->funnel->id, 'page' => $this->entry($this->funnel)->id,
                'visitor' => self::BROWSER])] as $i => $step) {
            $this->send(['email' => "robin{$i}@example.com"]);
            self::assertSame(1, self::waiting());
            $this->travel(1)->seconds();
            $step();
            self::assertSame([0, $i + 1], [self::waiting(), Person::query()->count()]);
        }
    }

    public function test_what_was_seen_before_it_was_a_stranger_s_and_what_was_seen_after_it_is_theirs(): void
    {
        $view = fn (string $at) => DB::table('seen_views')->insert(['funnel_id' => $this->funnel->id,
            'version_id' => $this->funnel->live_version_id, 'page_id' => $this->entry($this->funnel)->id, 'visitor' => self::BROWSER,
            'ip' => '203.0.113.9', 'source' => '', 'came_from' => '', 'at' => $at]);
        $view(now()->format('Y-m-d H:i:s.u'));
        $this->travel(2)->seconds();
        $this->send();
        $this->travel(2)->seconds();
        $view(now()->format('Y-m-d H:i:s.u'));
        self::assertSame(3, app(WrittenDown::class)->takeAll());

        self::assertSame([['viewed', 0], ['joined', 0], ['viewed', 1]], DB::table('events')->whereIn('type', ['viewed', 'joined'])
            ->orderBy('id')->get()->map(fn ($e): array => [$e->type, (int) $e->known])->all());
        self::assertSame(3, DB::table('events')->where('person_id', Person::query()->sole()->id)->whereIn('type', ['viewed', 'joined'])
            ->count(), 'all of it is theirs');
    }

    public function test_whoever_is_asked_to_confirm_waits_on_the_page_that_says_so(): void
    {
        $form = $this->funnel->parts()->where('kind', 'form')->sole();
        $form->change(['doubleOptIn' => true])->save();
        app(\App\Publishing\Publishing::class)->publish($this->funnel->refresh(), null);
        $this->funnel->refresh();
        $to = (string) ($this->send()->headers['Location'] ?? '');
        self::assertStringContainsString('/c/wait/', $to);

        // Without any cookie, too: the link alone knows which form it was.
        $this->get($to)->assertOk()->assertSee('robin@example.com');
        self::assertSame([0, 'waiting', 1], [self::waiting(), Submission::query()->sole()->state->value,
            Message::query()->where('kind', 'confirm')->count()]);
    }

    public function test_a_form_that_is_sent_twice_is_one_and_whoever_corrects_their_address_is_another(): void
    {
        $filled = $this->filledIn();
        $first = $this->send($filled);
        self::assertSame($first?->cookies, $this->send(['first_name' => 'Wren'] + $filled)?->cookies, 'still waiting');
        app(WrittenDown::class)->takeAll();
        self::assertSame($first?->cookies, $this->send($filled)?->cookies, 'taken in');
        self::assertSame([0, 1], [self::waiting(), Submission::query()->count()]);
        self::assertSame(303, $this->send(['email' => 'Robin.Fern@example.com'] + $filled)?->status);
        app(WrittenDown::class)->takeAll();

        self::assertSame(['robin@example.com', 'Robin.Fern@example.com'], Person::query()->orderBy('id')->pluck('email')->all());
    }

    public function test_so_many_from_one_address_and_no_more(): void
    {
        config(['lantern.signups.per_address' => 3]);
        $states = [];
        for ($i = 0; $i < 6; $i++) {
            $states[] = $this->send(['email' => "robin{$i}@example.com"])?->status;
            $i === 1 ? app(WrittenDown::class)->takeAll() : null;
        }
        self::assertSame([303, 303, 303, null, null, null], $states);
        self::assertSame(303, $this->send(['email' => 'wren@example.com'], ['REMOTE_ADDR' => '203.0.113.10'])?->status);
        $this->travel(11)->minutes();
        app(WrittenDown::class)->takeAll();
        self::assertSame(303, $this->send(['email' => 'wren2@example.com'])?->status);
    }

    /** @return iterable<string, array{array<array-key, mixed>, 1?: array<string, mixed>, 2?: list<SiteCookie>}> */
    public static function left(): iterable
    {
        yield 'no address' => [['email' => '']];
        yield 'none that is one' => [['email' => 'robin@']];
        yield 'a list in its place' => [['email' => ['robin@example.com']]];
        yield 'broken letters' => [['email' => "robin\xff@example.com"]];
        yield 'broken letters in the address that led here' => [['source' => "utm_source=\xff"]];
        yield 'a name longer than names are' => [['first_name' => str_repeat('a', 7000)]];
        yield 'lists of lists' => [['email' => [['x']]]];
        yield 'no token' => [['token' => '']];
        yield 'a list of tokens' => [['token' => ['x']]];
        yield 'a token of another page' => [['token' => FormToken::class]];
        yield 'no such form' => [['form' => 'x']];
        yield 'a list of forms' => [['form' => ['x']]];
        yield 'what people do not see is filled in' => [['website' => 'https://spam.example']];
        yield 'a checkout' => [['checkout' => '1']];
        yield 'a second step' => [['step' => '2']];
        yield 'a session' => [['book' => '1']];
        yield 'parameters in the address' => [[], ['REQUEST_URI' => '/the-twelve-minute-practice-plan?x=1', 'QUERY_STRING' => 'x=1']];
        yield 'another page' => [[], ['REQUEST_URI' => '/the-twelve-minute-practice-plan/thank-you']];
        yield 'nowhere' => [[], ['REQUEST_URI' => '/nowhere']];
        yield 'another host' => [[], ['HTTP_HOST' => 'elsewhere.example']];
        yield 'its owner' => [[], [], [SiteCookie::Owner]];
        yield 'a reader of its emails' => [[], [], [SiteCookie::Reader]];
    }

    /**
     * @param  array<array-key, mixed>  $sent
     * @param  array<string, mixed>  $server
     * @param  list<SiteCookie>  $cookies
     */
    #[DataProvider('left')]
    public function test_what_is_left_to_the_framework(array $sent, array $server = [], array $cookies = []): void
    {
        if (($sent['token'] ?? '') === FormToken::class) {
            $sent['token'] = FormToken::issue('another', now()->subMinute());
        }
        $kept = [];
        foreach ($cookies as $cookie) {
            $kept[$cookie->value] = SiteCookies::give($cookie, '1')->getValue();
        }
        self::assertNull($this->send($sent, $server, $kept));
        self::assertSame(0, self::waiting());
    }

    public function test_of_a_funnel_that_is_closed_later_old_or_behind_a_proxy(): void
    {
        $proxied = FrontPages::settings();
        $proxied = new FrontSettings($proxied->on, $proxied->key, $proxied->studio, $proxied->site, $proxied->database, ['203.0.113.9'],
            $proxied->stamp, $proxied->drawnBy, $proxied->signups);
        self::assertNull($this->send(settings: $proxied), 'only the framework knows whom a proxy speaks for');
        $old = FormToken::issue($this->entry($this->funnel)->id, now()->subDays(8));
        self::assertNull($this->send(['token' => $old]), 'too old');
        self::assertNull($this->send(['token' => FormToken::issue($this->entry($this->funnel)->id, now()->subSecond())]), 'too fast');
        $this->funnel->forceFill(['closes_at' => now()->subMinute()])->save();
        self::assertNull($this->send(), 'closed by its time');
        $this->funnel->forceFill(['closes_at' => null, 'state' => 'closed'])->save();
        self::assertNull($this->send(), 'closed by hand');
        self::assertSame(0, self::waiting());
    }

    public function test_what_cannot_be_taken_in_is_kept_told_and_tried_again_and_holds_up_nobody(): void
    {
        $this->send();
        $this->send(['email' => 'wren@example.com']);
        DB::table('received_signups')->where('id', DB::table('received_signups')->min('id'))->update(['version_id' => 'gone']);
        Exceptions::fake();
        self::assertSame(2, app(WrittenDown::class)->takeAll());
        self::assertSame(0, app(WrittenDown::class)->takeAll());
        Exceptions::assertReportedCount(1);
        self::assertSame(['wren@example.com'], Person::query()->pluck('email')->all());
        self::assertSame([1, 1], [self::waiting(), (int) DB::table('received_signups')->value('tries')]);
        $this->get("/{$this->funnel->address}")->assertOk();
        // Nor is it tried with every page that its own browser looks at.
        $this->withUnencryptedCookie(SiteCookie::Joined->value, (string) SiteCookies::give(SiteCookie::Joined, (string) DB::table(
            'received_signups')->value('submission'))->getValue())->get("/{$this->funnel->address}")->assertOk();
        Exceptions::assertReportedCount(1);

        DB::table('received_signups')->update(['version_id' => $this->funnel->live_version_id]);
        $this->travel(61)->seconds();
        self::assertSame(1, app(WrittenDown::class)->takeAll());
        self::assertSame([0, 2], [self::waiting(), Person::query()->count()]);
    }

    public function test_no_address_of_the_application_answers_before_what_was_sent_is_taken_in(): void
    {
        // With the first request the router learns its groups.
        $this->get('/up');
        $without = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $passes = array_map(fn (mixed $m): string => is_string($m) ? explode(':', $m)[0] : '', Route::gatherRouteMiddleware($route));
            in_array(TakesSignupsIn::class, $passes, true) || $without[] = $route->uri();
        }
        self::assertSame([], $without);
    }

    public function test_whatever_is_published_renamed_or_closed_meanwhile_it_is_taken_in_as_it_was_sent(): void
    {
        $this->send();
        $form = $this->funnel->parts()->where('kind', 'form')->sole();
        $form->change(['consent' => 'Another consent', 'consentRequired' => true])->save();
        app(\App\Publishing\Publishing::class)->publish($this->funnel->refresh(), null);
        $this->funnel->refresh()->forceFill(['state' => 'closed', 'address' => 'another'])->save();
        self::assertSame(1, app(WrittenDown::class)->takeAll());

        self::assertNotSame('Another consent', Submission::query()->sole()->consent_words);
        self::assertSame(1, Person::query()->count());
    }
}
