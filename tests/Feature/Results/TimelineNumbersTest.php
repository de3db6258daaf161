<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Drafts\NewFunnel;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\User;
use App\Models\Version;
use App\Publishing\Publishing;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Webinars\WebinarMode;
use Tests\Core\Plan\Plans;
use Tests\Drafts\Page;
use Tests\Drafts\Prices;
use Tests\TestCase;

/** What the timeline says of pages and ways: who was there, and who went on by which. */
final class TimelineNumbersTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    /** @var array<string, string> ids by name */
    private array $pages;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00');
        $this->owner = $this->owner();
        $this->funnel = app(NewFunnel::class)->fromStarter($this->owner->business, Goal::Webinar, 'Webinar', 'First Melody', null,
            Plans::price(), WebinarMode::Live);
        Prices::fillIn($this->funnel);
        app(Publishing::class)->publish($this->funnel, null);
        $this->funnel->refresh();
        $this->pages = Page::query()->where('funnel_id', $this->funnel->id)->pluck('id', 'name')->all();
    }

    private function happens(EventType $type, string $page, string $visitor, string $ago = '0 days', bool $owner = false): void
    {
        app(Events::class)->take(new NewEvent($type, $this->owner->business, CarbonImmutable::now()->sub($ago), $this->funnel,
            $this->funnel->liveVersion, page: $this->pages[$page], visitor: md5($visitor), owner: $owner));
    }

    private function registered(bool $came, bool $stayed, string $state = 'registered', ?string $settled = '1 day',
        bool $owner = false): void
    {
        $now = CarbonImmutable::now();
        $moment = fn (bool $is): ?string => $is ? Instant::sql($now) : null;
        $version = Version::query()->firstOrCreate(['funnel_id' => $this->funnel->id], ['number' => 1, 'plan' => [], 'fingerprint' => '',
            'published_at' => $now]);
        $email = Ids::next().'@example.com';
        $person = Person::query()->create(['business_id' => $this->owner->business_id, 'email' => $email, 'email_key' => $email,
            'joined_at' => $now])->id;
        DB::table('registrations')->insert(['id' => Ids::next(), 'business_id' => $this->owner->business_id,
            'funnel_id' => $this->funnel->id, 'version_id' => $version->id, 'webinar_id' => Ids::next(), 'person_id' => $person,
            'session_key' => 'd', 'starts_at' => Instant::sql($now), 'ends_at' => Instant::sql($now), 'zone' => 'UTC', 'state' => $state,
            'registered_at' => Instant::sql($now), 'chosen_at' => Instant::sql($now), 'came_at' => $moment($came),
            'attended_at' => $moment($stayed), 'settled_at' => $settled === null ? null : Instant::sql($now->sub($settled)),
            'owner' => $owner]);
    }

    /** @return array<string, mixed> */
    private function numbers(string $days = '28'): array
    {
        return $this->actingAs($this->owner)->getJson("/studio/api/funnels/{$this->funnel->id}/numbers?days={$days}")->assertOk()->json();
    }

    public function test_browsers_are_counted_once_and_by_what_they_did_then(): void
    {
        foreach (['a', 'a', 'b', 'c'] as $visitor) {
            $this->happens(EventType::Viewed, 'Registration page', $visitor);
        }
        $this->happens(EventType::Viewed, 'Registration page', 'me', owner: true);
        $this->happens(EventType::Viewed, 'Registration page', 'long ago', '40 days');
        $this->happens(EventType::Joined, 'Registration page', 'a');
        $numbers = $this->numbers();

        self::assertSame(3, $numbers['visitors'][$this->pages['Registration page']]);
        self::assertSame(['taken' => 1, 'of' => 3], $numbers['ways'][$this->pages['Registration page']]['joined']);
        self::assertSame(['taken' => 1, 'of' => 4], $this->numbers('0')['ways'][$this->pages['Registration page']]['joined'],
            'of all time');
    }

    public function test_who_chose_an_offer_was_on_its_page_first(): void
    {
        $this->happens(EventType::Viewed, 'Sales page', 'a', '3 hours');
        $this->happens(EventType::Viewed, 'Checkout page', 'a', '2 hours');
        $this->happens(EventType::Viewed, 'Checkout page', 'b', '3 hours');
        $this->happens(EventType::Viewed, 'Sales page', 'b', '2 hours');
        $this->happens(EventType::Viewed, 'Closed page', 'b');
        $this->happens(EventType::Bought, 'Upsell page', 'a');
        $this->happens(EventType::Viewed, 'Upsell page', 'a');
        $this->happens(EventType::Viewed, 'Upsell page', 'b');
        $this->happens(EventType::Declined, 'Upsell page', 'b');
        $ways = $this->numbers()['ways'];

        self::assertSame(['chose' => ['taken' => 1, 'of' => 2], 'time-ran-out' => ['taken' => 1, 'of' => 2]],
            $ways[$this->pages['Sales page']]);
        self::assertSame(['bought' => ['taken' => 1, 'of' => 2], 'declined' => ['taken' => 1, 'of' => 2]],
            $ways[$this->pages['Upsell page']]);
    }

    public function test_of_sessions_those_count_that_are_over(): void
    {
        $this->registered(came: true, stayed: true);
        $this->registered(came: true, stayed: false);
        $this->registered(came: false, stayed: false);
        $this->registered(came: false, stayed: false, settled: null);
        $this->registered(came: false, stayed: false, settled: '40 days');
        $this->registered(came: false, stayed: false, state: 'cancelled');
        $this->registered(came: true, stayed: true, owner: true);
        $ways = $this->numbers()['ways'];

        self::assertSame(['attended' => ['taken' => 2, 'of' => 3], 'missed' => ['taken' => 1, 'of' => 3]],
            $ways[$this->pages['Confirmation page']]);
        self::assertSame(['taken' => 1, 'of' => 2], $ways[$this->pages['Webinar room']]['attended'], 'of those who came');
    }

    public function test_the_drawings_are_of_the_draft_and_of_the_owner_alone(): void
    {
        $path = "/studio/api/funnels/{$this->funnel->id}/drawings";
        $drawings = $this->actingAs($this->owner)->getJson($path)->assertOk()->json('drawings');
        self::assertEqualsCanonicalizing(array_values($this->pages), array_keys($drawings));
        $entry = $drawings[$this->pages['Registration page']];
        self::assertStringStartsWith('<svg', $entry);
        self::assertSame($entry, $this->getJson('/studio/api/funnels')->assertOk()->json('funnels.0.drawing'), 'the same as in the list');

        $this->funnel->forceFill(['look_changes' => ['accent' => '#123456']])->save();
        self::assertStringContainsString('#123456', $this->getJson($path)->json("drawings.{$this->pages['Registration page']}"));

        $this->actingAs($this->owner('stranger@ferncroft.example'))->getJson($path)->assertNotFound();
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/numbers")->assertNotFound();
    }

    public function test_a_time_that_makes_no_sense_is_the_usual_one_or_a_nearby_one(): void
    {
        $this->happens(EventType::Viewed, 'Registration page', 'a', '300 days');
        foreach (['x' => 1, '-5' => 1, '99999' => 1, '5' => 0, '[]' => 1] as $days => $seen) {
            self::assertSame($seen, $this->numbers((string) $days)['visitors'][$this->pages['Registration page']], "days={$days}");
        }
    }
}
