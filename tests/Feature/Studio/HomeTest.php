<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

use App\Models\Funnel;
use App\Models\Order;
use App\Models\Person;
use App\Models\Registration;
use App\Models\User;
use App\Support\Ids;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Orders\OrderState;
use Lantern\Core\Webinars\RegistrationState;
use Tests\TestCase;

/** The list of funnels: by labels, and what needs the owner today. */
final class HomeTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->travelTo('2026-06-01 10:00:00'); // noon in Berlin
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    public function test_funnels_are_labelled_and_found_by_it(): void
    {
        [$a, $b] = [$this->draft($this->owner), $this->draft($this->owner)];
        $put = fn (Funnel $f, mixed $labels) => $this->putJson("/studio/api/funnels/{$f->id}", ['labels' => $labels]);
        $put($a, ['  Spring ', 'spring', '', "First\n Season"])->assertOk()->assertJsonPath('labels', ['Spring', 'First Season']);
        $put($b, ['Free'])->assertOk();
        $list = $this->getJson('/studio/api/funnels?label=Spring')->assertOk()
            ->assertJsonPath('labels', ['First Season', 'Free', 'Spring']);
        self::assertSame([$a->id], array_column($list->json('funnels'), 'id'));
        self::assertSame([], $this->getJson('/studio/api/funnels?label=%25')->json('funnels'));

        foreach ([array_map(fn (int $n): string => "l{$n}", range(1, 13)), [str_repeat('x', 41)], 'Spring', [['x']]] as $wrong) {
            $put($a, $wrong)->assertUnprocessable();
        }
        self::assertSame(['Spring', 'First Season'], $a->refresh()->labels, 'as they were');

        $copy = $this->postJson("/studio/api/funnels/{$a->id}/duplicate")->assertCreated()->json('id');
        self::assertSame(['Spring', 'First Season'], Funnel::query()->findOrFail($copy)->labels);
        $this->actingAs($this->owner('other@ferncroft.example'));
        $this->getJson('/studio/api/funnels')->assertJsonPath('labels', [])->assertJsonPath('today', []);
        $put($a, ['Mine'])->assertNotFound();
    }

    public function test_what_needs_the_owner_is_told_and_leads_there(): void
    {
        $funnel = $this->live($this->owner);
        $today = fn (): array => array_column($this->getJson('/studio/api/funnels')->assertOk()->json('today'), 'to', 'words');
        self::assertSame([], $today());

        $this->ordered($funnel, ['arrears' => true]);
        $this->ordered($funnel, ['arrears' => true, 'owner' => true]);
        $this->ordered($funnel, ['state' => OrderState::Disputed]);
        $session = $this->sessionTonight($funnel);
        $this->join($funnel, ['email' => 'a@example.com']);
        DB::table('messages')->update(['state' => MessageState::Waiting, 'attempts' => 2,
            'trouble' => 'The mail server could not be reached.']);
        self::assertSame([
            '“Opt-in page” begins today at 19:00: one person is registered.' => $session,
            'One question from “Opt-in page” waits for an answer.' => $session,
            'A payment of a plan failed, and is owed.' => '/sales/orders?state=arrears',
            'A payment is disputed.' => '/sales/orders?state=disputed',
            'Emails wait: The mail server could not be reached.' => '/emails',
        ], $today());

        DB::table('messages')->update(['state' => MessageState::Failed]);
        self::assertArrayHasKey('One email could not be sent since yesterday.', $today());
        $this->travelTo('2026-05-31 21:30:00'); // half past eleven, the evening before
        self::assertArrayHasKey('“Opt-in page” begins tomorrow at 19:00: one person is registered.', $today());
        $this->travelTo('2026-06-01 17:30:00');
        self::assertArrayHasKey('“Opt-in page” runs now: one person is registered.', $today());
        $this->travelTo('2026-06-20 10:00:00');
        self::assertSame(['A payment of a plan failed, and is owed.', 'A payment is disputed.'], array_keys($today()));
    }

    /** @param  array<string, mixed>  $more */
    private function ordered(Funnel $funnel, array $more): void
    {
        Order::query()->create($more + ['business_id' => $funnel->business_id, 'funnel_id' => $funnel->id,
            'version_id' => $funnel->live_version_id, 'page_id' => $this->entry($funnel)->id, 'person_id' => $this->person()->id,
            'token' => bin2hex(random_bytes(16)), 'number' => Order::query()->count() + 1, 'state' => OrderState::Paid, 'currency' => 'EUR',
            'email' => 'robin@example.com', 'total' => 100, 'placed_at' => now(), 'bought_at' => now()]);
    }

    private function person(): Person
    {
        $email = Ids::next().'@example.com';

        return Person::query()->create(['business_id' => $this->owner->business_id, 'email' => $email, 'email_key' => $email,
            'joined_at' => now()]);
    }

    /** Somebody is registered for this evening, and has a question; @return string the path of the control room */
    private function sessionTonight(Funnel $funnel): string
    {
        // Any part will do: it is its name that is told.
        $webinar = $this->entry($funnel)->id;
        $person = $this->person()->id;
        $registration = Registration::query()->create(['business_id' => $funnel->business_id, 'funnel_id' => $funnel->id,
            'version_id' => $funnel->live_version_id, 'webinar_id' => $webinar, 'person_id' => $person, 'session_key' => 'd',
            'starts_at' => '2026-06-01 17:00:00', 'ends_at' => '2026-06-01 18:00:00', 'zone' => 'UTC',
            'state' => RegistrationState::Registered, 'registered_at' => now(), 'chosen_at' => now()]);
        DB::table('room_questions')->insert(['id' => Ids::next(), 'business_id' => $funnel->business_id, 'webinar_id' => $webinar,
            'session_key' => 'd', 'registration_id' => $registration->id, 'person_id' => $person, 'device' => str_repeat('0', 16),
            'words' => 'Which string?', 'state' => 'open', 'asked_at' => now()]);

        return "/funnels/{$funnel->id}/webinar/{$webinar}/sessions/d";
    }
}
