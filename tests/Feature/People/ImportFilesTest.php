<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The lists of the Studio: what is found, in which order, and page by page. */
final class ImportFilesTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
        $people = [
            ['Ada', 'zora.ash@example.com'],
            ['Björk', 'bjoerk_1@example.org'],
            ['', 'nameless@example.net'],
            ['100% Carys', 'carys+cello@example.com'],
        ];
        foreach ($people as [$name, $email]) {
            $this->join($this->funnel, ['first_name' => $name, 'email' => $email]);
        }
        $this->actingAs($this->owner);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function searches(): iterable
    {
        yield 'part of an address' => ['zora', ['zora.ash@example.com']];
        yield 'part of a name, in capitals' => ['ADA', ['zora.ash@example.com']];
        yield 'letters of its own' => ['Björk', ['bjoerk_1@example.org']];
        yield 'a percent sign is a percent sign' => ['100%', ['carys+cello@example.com']];
        yield 'an underscore is an underscore' => ['_1', ['bjoerk_1@example.org']];
        yield 'a plus is a plus' => ['carys+', ['carys+cello@example.com']];
        yield 'a backslash finds nothing' => ['\\', []];
        yield 'a quote finds nothing' => ["' or 1=1 --", []];
        yield 'only blanks find all' => ['   ',
            ['carys+cello@example.com', 'nameless@example.net', 'bjoerk_1@example.org', 'zora.ash@example.com']];
    }

    /** @param  list<string>  $addresses newest first */
    #[DataProvider('searches')]
    public function test_people_are_found(string $search, array $addresses): void
    {
        $found = $this->getJson('/studio/api/people?'.http_build_query(['search' => $search]))->assertOk()->json('people');

        self::assertSame($addresses, array_column($found, 'email'));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function orders(): iterable
    {
        yield 'newest first' => ['joined',
            ['carys+cello@example.com', 'nameless@example.net', 'bjoerk_1@example.org', 'zora.ash@example.com']];
        yield 'by address' => ['email',
            ['bjoerk_1@example.org', 'carys+cello@example.com', 'nameless@example.net', 'zora.ash@example.com']];
        yield 'by name' => ['name', ['nameless@example.net', 'carys+cello@example.com', 'zora.ash@example.com', 'bjoerk_1@example.org']];
        yield 'an order that is none' => ['; drop table people',
            ['carys+cello@example.com', 'nameless@example.net', 'bjoerk_1@example.org', 'zora.ash@example.com']];
    }

    /** @param  list<string>  $addresses */
    #[DataProvider('orders')]
    public function test_people_are_put_in_order(string $sort, array $addresses): void
    {
        $found = $this->getJson('/studio/api/people?'.http_build_query(['sort' => $sort]))->assertOk()->json('people');

        self::assertSame($addresses, array_column($found, 'email'));
    }

    public function test_people_come_page_by_page(): void
    {
        $this->getJson('/studio/api/people?perPage=3&page=1')->assertJsonCount(3, 'people')
            ->assertJson(['total' => 4, 'page' => 1, 'pages' => 2]);
        $this->getJson('/studio/api/people?perPage=3&page=2')->assertJsonCount(1, 'people');
        $this->getJson('/studio/api/people?perPage=3&page=99')->assertJsonCount(1, 'people')->assertJson(['total' => 4, 'page' => 2]);
        $this->getJson('/studio/api/people?perPage=-5&page=-1')->assertOk()->assertJsonCount(1, 'people');
        $this->getJson('/studio/api/people?perPage=100000')->assertOk()->assertJsonCount(4, 'people');
    }

    public function test_people_of_a_funnel_and_of_a_tag(): void
    {
        $other = $this->draft($this->owner, 'Another gift');
        $this->postJson("/studio/api/funnels/{$other->id}/publish")->assertOk();
        $this->join($other->refresh(), ['first_name' => 'Dagny', 'email' => 'dagny@example.com']);

        $this->getJson("/studio/api/people?funnel={$other->id}")->assertJsonPath('total', 1)->assertJsonPath('people.0.firstName', 'Dagny');
        $this->getJson("/studio/api/people?funnel={$this->funnel->id}")->assertJsonPath('total', 4);
        $tags = collect($this->getJson('/studio/api/people/kit')->json('tags'))->pluck('id', 'name');
        self::assertEqualsCanonicalizing(['The Twelve-Minute Practice Plan', 'Another gift'], $tags->keys()->all());
        $this->getJson("/studio/api/people?tag={$tags['Another gift']}")->assertJsonPath('total', 1);
        $this->getJson('/studio/api/people?tag=99999')->assertJsonPath('total', 0);
    }

    public function test_the_outbox_shows_what_happened_before_what_is_to_come(): void
    {
        $this->runQueue();
        $sent = Message::query()->where('state', 'sent')->pluck('id');
        self::assertCount(4, $sent);
        $waiting = Message::query()->findOrFail($sent[0]);
        $waiting->forceFill(['state' => 'waiting', 'due_at' => now()->addDays(2)])->save();
        Message::query()->findOrFail($sent[1])->forceFill(['state' => 'failed', 'trouble' => 'There is no such mailbox.'])->save();

        $all = $this->getJson('/studio/api/messages')->assertOk();
        self::assertSame('waiting', last($all->json('messages'))['state']);
        self::assertEquals(['failed' => 1, 'sent' => 2, 'waiting' => 1], $all->json('states'));
        $this->getJson('/studio/api/messages?state=failed')->assertJsonPath('messages.0.trouble', 'There is no such mailbox.')
            ->assertJsonPath('total', 1);
        $this->getJson('/studio/api/messages?state=waiting')->assertJsonPath('total', 1);
        $this->getJson('/studio/api/messages?state=nonsense')->assertJsonPath('total', 4);
        $this->getJson('/studio/api/messages?search=CARYS')->assertJsonPath('total', 1)
            ->assertJsonPath('messages.0.to', 'carys+cello@example.com');
        $this->getJson("/studio/api/messages/{$waiting->id}")->assertOk()->assertJsonPath('state', 'waiting');
    }

    public function test_anything_is_found_from_one_place(): void
    {
        $kinds = fn (string $q): array => array_values(array_unique(array_column($this->getJson('/studio/api/search?'
            .http_build_query(['q' => $q]))->assertOk()->json('found'), 'kind')));
        $this->runQueue();

        self::assertSame(['Funnel', 'Lead magnet', 'Message'], $kinds('practice plan'));
        self::assertSame(['Page'], $kinds('opt-in'));
        self::assertSame(['Person'], $kinds('bjoerk'));
        self::assertSame([], $kinds(''));
        self::assertSame([], $kinds('   '));
        self::assertSame([], $kinds(str_repeat('x', 500)));
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/archive")->assertOk();
        self::assertSame(['Message'], $kinds('practice plan'), 'what is archived is out of the way');
    }

    public function test_results_of_a_time_with_nobody_in_it_and_of_odd_times(): void
    {
        $this->travel(60)->days();
        $empty = $this->getJson("/studio/api/funnels/{$this->funnel->id}/results?days=7")->assertOk();
        self::assertSame([0, null], [$empty->json('steps.0.visitors'), $empty->json('steps.0.signupRate.rate')]);
        self::assertSame(['first' => [], 'last' => []], $empty->json('sources'));
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/results?days=0")->assertJsonCount(7, 'days');
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/results?days=100000")->assertJsonCount(730, 'days');
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/results?days=words")->assertJsonCount(28, 'days');
        self::assertSame(4, Person::query()->count());
    }
}
