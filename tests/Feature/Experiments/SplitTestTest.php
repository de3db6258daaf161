<?php

declare(strict_types=1);

namespace Tests\Feature\Experiments;

use App\Deadlines\Joining;
use App\Models\DraftPart;
use App\Models\Experiment;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\User;
use App\Models\Version;
use App\People\Privacy\Erase;
use App\People\Privacy\Merge;
use App\Publishing\Publishing;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A split test from its first variant to its end, as visitors meet it. */
final class SplitTestTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    private string $page;

    private string $test;

    private string $variant;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
        $this->page = $this->entry($this->funnel)->id;
        $this->actingAs($this->owner);
        $parts = "/studio/api/funnels/{$this->funnel->id}/parts";
        $this->test = $this->postJson($parts, ['kind' => 'split-test', 'part' => $this->page])->assertCreated()->json('id');
        $made = $this->postJson($parts, ['kind' => 'variant', 'test' => $this->test])->assertCreated()->assertJsonPath('letter', 'b')
            ->assertJsonPath('differs', []);
        $this->variant = $made->json('id');
        $this->change($made->json('document'), $made->json('revision'));
    }

    /** Another headline. */
    private function change(array $document, int $revision, string $words = 'Play your first melody'): void
    {
        foreach ($document['sections'] as &$section) {
            foreach ($section['blocks'] as &$block) {
                if ($block['kind'] === 'heading') {
                    $block['text'] = $words;
                    break 2;
                }
            }
        }
        $this->putJson("/studio/api/parts/{$this->variant}", ['document' => $document, 'name' => 'Another headline',
            'revision' => $revision])->assertOk()->assertJsonCount(1, 'differs');
    }

    private function start(): Experiment
    {
        $this->postJson("/studio/api/split-tests/{$this->test}/start")->assertCreated();

        return Experiment::query()->findOrFail($this->test);
    }

    private function asVisitor(?string $id = null): self
    {
        $this->defaultCookies = $this->unencryptedCookies = [];
        if ($id !== null) {
            $this->withUnencryptedCookie('lantern_visitor', $id);
        }

        return $this;
    }

    private function letterSeen(string $query = '', array $headers = []): string
    {
        $html = (string) $this->get("/{$this->funnel->address}{$query}", $headers)->assertOk()->getContent();
        preg_match('/data-variant="([a-e])"/', $html, $m);
        self::assertSame(($m[1] ?? '') === 'b', str_contains($html, 'Play your first melody'));

        return $m[1] ?? '';
    }

    private function see(string $visitor, string $letter): void
    {
        $this->post('/m/view', ['funnel' => $this->funnel->id, 'page' => $this->page, 'visitor' => $visitor, 'variant' => $letter])
            ->assertNoContent();
    }

    /** @return array<string, list<string>> browsers by the letter they get */
    private function browsers(int $each = 3): array
    {
        $by = ['a' => [], 'b' => []];
        for ($i = 0; count($by['a']) < $each || count($by['b']) < $each; $i++) {
            $id = md5("browser {$i}");
            $by[$this->asVisitor($id)->letterSeen()][] = $id;
        }

        return $by;
    }

    public function test_a_browser_gets_a_variant_keeps_it_and_is_counted_once(): void
    {
        self::assertSame('', $this->asVisitor()->letterSeen(), 'nobody sees a variant before it is started');
        $this->start();
        // A browser that has no id yet gets one with the page.
        $response = $this->asVisitor()->get('/'.$this->funnel->address)->assertOk();
        $id = (string) $response->getCookie('lantern_visitor', false)?->getValue();
        self::assertMatchesRegularExpression('/^[0-9a-f]{32}$/', $id);
        self::assertStringContainsString('no-store', (string) $response->headers->get('Cache-Control'));
        $by = $this->browsers();
        foreach ($by as $letter => $ids) {
            foreach ($ids as $browser) {
                self::assertSame($letter, $this->asVisitor($browser)->letterSeen());
                $this->see($browser, $letter);
                $this->see($browser, $letter);
            }
        }
        self::assertSame(count($by['a']) + count($by['b']), DB::table('experiment_people')->count());
        self::assertSame([count($by['b'])], [DB::table('experiment_people')->where('variant', 'b')->count()]);
        self::assertSame(2 * count($by['b']), DB::table('events')->where('variant', 'b')->count());
        // What a browser was not given is not believed.
        $this->see($by['a'][0], 'b');
        $this->see(md5('somebody new'), 'x');
        self::assertSame(0, DB::table('experiment_people')->where('visitor', $by['a'][0])->where('variant', 'b')->count()
            + DB::table('experiment_people')->where('visitor', md5('somebody new'))->count());
    }

    public function test_a_form_of_either_variant_is_taken_before_the_framework_and_counts_for_it(): void
    {
        $this->start();
        $by = $this->browsers(2);
        foreach (['a', 'b'] as $i => $letter) {
            $browser = $by[$letter][0];
            $this->asVisitor($browser)->see($browser, $letter);
            // What each variant is taken by and what follows from it is compared both ways by the test case.
            $this->signupsBefore = 0;
            $this->asVisitor($browser)->join($this->funnel, ['email' => "{$letter}@example.com", 'visitor' => $browser])->assertStatus(303);
            self::assertSame(1, $this->signupsBefore);
            self::assertSame($letter, DB::table('events')->where('type', 'joined')->orderByDesc('id')->value('variant'));
            self::assertSame($i + 1, DB::table('submissions')->count());
        }
    }

    public function test_programs_see_one_page_and_the_owner_chooses(): void
    {
        $this->start();
        for ($i = 0; $i < 12; $i++) {
            self::assertSame('a', $this->asVisitor(md5("bot {$i}"))->letterSeen('', ['User-Agent' => 'Somebot/1.0 (+crawl)']));
        }
        $this->asVisitor()->withCookie('lantern_owner', '1');
        self::assertSame(['a', 'b', 'a'], [$this->letterSeen(), $this->letterSeen('?variant=b'), $this->letterSeen('?variant=z')]);
        $this->see(md5('owner'), 'a');
        self::assertSame(0, DB::table('experiment_people')->count());
    }

    public function test_a_sign_up_on_a_variant_counts_for_it_and_a_person_keeps_it_on_another_device(): void
    {
        $experiment = $this->start();
        $by = $this->browsers();
        $robin = $by['b'][0];
        $this->asVisitor($robin)->see($robin, 'b');
        $this->join($this->funnel, ['email' => 'robin@example.com', 'visitor' => $robin])->assertStatus(303);
        $row = DB::table('experiment_people')->where('visitor', $robin)->sole();
        self::assertSame(['b', 5], [$row->variant, (int) $row->joined_after]);
        self::assertNotNull($row->person_id);
        self::assertSame('b', DB::table('events')->where('type', 'joined')->value('variant'));
        // Another browser, of which the hash would make another variant, turns out to be theirs, by a link in an email.
        $phone = $by['a'][0];
        $this->asVisitor($phone)->see($phone, 'a');
        app(Joining::class)->join($phone, (string) $row->person_id, now()->toImmutable());
        self::assertSame('b', $this->asVisitor($phone)->letterSeen(), 'they keep what they saw first');
        self::assertSame([['b', 1, 5], ['a', 0, 0]], DB::table('experiment_people')->orderBy('id')->get()
            ->map(fn ($r): array => [$r->variant, (int) $r->counted, (int) $r->joined_after])->all());
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/tests")->assertOk()->assertJsonPath('tests.0.arms.1.visitors', 1)
            ->assertJsonPath('tests.0.arms.1.reached', 1)->assertJsonPath('tests.0.arms.0.visitors', 0)
            ->assertJsonPath('tests.0.verdict', 'too-early');
        self::assertSame($experiment->id, $this->test);
    }

    public function test_an_address_that_is_known_is_gained_by_no_other_browser_that_it_is_typed_in(): void
    {
        $this->start();
        $by = $this->browsers();
        foreach ([$by['b'][0], $by['b'][1], $by['a'][0]] as $i => $browser) {
            $this->travel(1)->hours();
            $this->asVisitor($browser)->see($browser, $i < 2 ? 'b' : 'a');
            $this->join($this->funnel, ['email' => 'robin@example.com', 'visitor' => $browser])->assertStatus(303);
        }
        self::assertSame([$by['b'][0]], DB::table('experiment_people')->whereNotNull('joined_after')->pluck('visitor')->all());
    }

    public function test_people_who_turn_out_to_be_one_count_once_and_who_is_erased_stays_as_a_number(): void
    {
        $this->start();
        $by = $this->browsers();
        foreach (['robin' => $by['a'][0], 'ash' => $by['b'][0]] as $name => $browser) {
            $this->travel(1)->hours();
            $this->asVisitor($browser)->see($browser, $name === 'robin' ? 'a' : 'b');
            $this->join($this->funnel, ['email' => "{$name}@example.com", 'visitor' => $browser])->assertStatus(303);
        }
        $person = fn (string $name): Person => Person::query()->where('email_key', "{$name}@example.com")->sole();
        app(Merge::class)->merge($person('ash'), $person('robin'));
        self::assertSame([1, 'a'], [DB::table('experiment_people')->where('counted', true)->count(),
            DB::table('experiment_people')->where('counted', true)->value('variant')]);
        app(Erase::class)->person($person('ash'));
        self::assertSame([2, 0], [DB::table('experiment_people')->count(),
            DB::table('experiment_people')->whereIn('visitor', [$by['a'][0], $by['b'][0]])->count()]);
    }

    public function test_it_ends_with_a_winner_that_everybody_gets_at_once_and_the_draft_becomes(): void
    {
        $this->start();
        $by = $this->browsers();
        $this->actingAs($this->owner)->postJson("/studio/api/tests/{$this->test}/end", ['winner' => 'b', 'learned' => 'Say what they get.'])
            ->assertOk()->assertJsonPath('winner', 'b')->assertJsonPath('learned', 'Say what they get.');
        foreach ([...$by['a'], ...$by['b']] as $browser) {
            self::assertSame('b', $this->asVisitor($browser)->letterSeen());
        }
        $draft = DraftPart::query()->findOrFail($this->page);
        self::assertStringContainsString('Play your first melody', (string) json_encode($draft->definition));
        self::assertSame(0, DraftPart::there($this->funnel->id)->whereIn('kind', ['split-test', 'variant'])->count());
        $this->postJson("/studio/api/tests/{$this->test}/end", ['winner' => 'a'])->assertUnprocessable();
        app(Publishing::class)->publish($this->funnel->refresh(), $this->owner);
        $html = (string) $this->asVisitor($by['a'][0])->get('/'.$this->funnel->address)->getContent();
        self::assertStringContainsString('Play your first melody', $html);
        self::assertStringNotContainsString('data-variant', $html);
        self::assertSame('owner', Experiment::query()->findOrFail($this->test)->ended_how, 'a version without it does not end it again');
    }

    public function test_a_version_without_it_ends_it_and_going_back_goes_on(): void
    {
        $before = (string) $this->funnel->live_version_id;
        $this->start();
        $with = (string) $this->funnel->refresh()->live_version_id;
        $publishing = app(Publishing::class);
        $publishing->switchTo($this->funnel->refresh(), Version::query()->findOrFail($before));
        self::assertSame('withdrawn', Experiment::query()->findOrFail($this->test)->ended_how);
        self::assertSame('', $this->asVisitor(md5('x'))->letterSeen());
        $this->actingAs($this->owner)->getJson("/studio/api/funnels/{$this->funnel->id}/tests")->assertOk()
            ->assertJsonPath('tests.0.endedHow', 'withdrawn')->assertJsonCount(1, 'tests.0.warnings');
        $publishing->switchTo($this->funnel->refresh(), Version::query()->findOrFail($with));
        self::assertNull(Experiment::query()->findOrFail($this->test)->ended_at);
        self::assertContains($this->asVisitor(md5('x'))->letterSeen(), ['a', 'b']);
    }

    public function test_a_variant_that_is_changed_while_it_runs_is_said(): void
    {
        $this->start();
        $row = DraftPart::query()->findOrFail($this->variant);
        $document = $row->definition['document'];
        $this->change($document, $row->revision, 'Something else again');
        app(Publishing::class)->publish($this->funnel->refresh(), $this->owner);
        self::assertNotNull(Experiment::query()->findOrFail($this->test)->changed_at);
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/tests")->assertOk()
            ->assertJsonPath('tests.0.warnings.0', fn (string $w): bool => str_contains($w, 'changed while the test ran'));
    }

    /** @return iterable<string, array{callable(self): void, string}> */
    public static function refusals(): iterable
    {
        yield 'one variant alone' => [function (self $t): void {
            $row = DraftPart::query()->findOrFail($t->variant);
            $t->putJson("/studio/api/parts/{$t->variant}", ['weight' => 0, 'revision' => $row->revision])->assertOk();
        }, 'Only one variant would ever be seen'];
        yield 'nothing is different' => [function (self $t): void {
            $page = DraftPart::query()->findOrFail($t->page)->definition['document'];
            $row = DraftPart::query()->findOrFail($t->variant);
            $t->putJson("/studio/api/parts/{$t->variant}", ['document' => $page, 'revision' => $row->revision])->assertOk();
        }, 'still the same as the page'];
        yield 'a variant without its form' => [function (self $t): void {
            $row = DraftPart::query()->findOrFail($t->variant);
            $document = $row->definition['document'];
            foreach ($document['sections'] as &$section) {
                $section['blocks'] = array_values(array_filter($section['blocks'], fn (array $b): bool => $b['kind'] !== 'form'));
            }
            $t->putJson("/studio/api/parts/{$t->variant}", ['document' => $document, 'revision' => $row->revision])->assertOk();
        }, 'has no form'];
    }

    /** @param  callable(self): void  $change */
    #[DataProvider('refusals')]
    public function test_what_cannot_be_started_says_why_and_changes_nothing(callable $change, string $why): void
    {
        $change($this);
        $answer = $this->postJson("/studio/api/split-tests/{$this->test}/start")->assertUnprocessable();
        self::assertStringContainsString($why, (string) $answer->getContent());
        self::assertFalse((bool) (DraftPart::query()->findOrFail($this->test)->definition['on'] ?? false));
        self::assertSame(0, Experiment::query()->count());
    }

    public function test_while_it_runs_its_shares_stay_and_nothing_of_it_is_removed(): void
    {
        $this->start();
        $row = DraftPart::query()->findOrFail($this->variant);
        $this->putJson("/studio/api/parts/{$this->variant}", ['weight' => 5, 'revision' => $row->revision])->assertUnprocessable();
        $this->putJson("/studio/api/parts/{$this->test}", ['goal' => 'sale',
            'revision' => DraftPart::query()->findOrFail($this->test)->revision])->assertUnprocessable();
        $this->deleteJson("/studio/api/parts/{$this->variant}")->assertUnprocessable();
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts",
            ['kind' => 'variant', 'test' => $this->test])->assertUnprocessable();
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'split-test', 'part' => $this->page])
            ->assertUnprocessable();
    }

    public function test_a_page_that_is_removed_takes_its_test_along_and_brings_it_back(): void
    {
        $funnel = $this->funnel;
        $second = $this->postJson("/studio/api/funnels/{$funnel->id}/pages", ['role' => 'free'])->assertCreated()->json('page.id');
        $test = $this->postJson("/studio/api/funnels/{$funnel->id}/parts", ['kind' => 'split-test', 'part' => $second])->json('id');
        $variant = $this->postJson("/studio/api/funnels/{$funnel->id}/parts", ['kind' => 'variant', 'test' => $test])->json('id');
        $said = $this->deleteJson("/studio/api/parts/{$second}")->assertOk()->json('sentences');
        self::assertContains('Its split test goes with it.', $said);
        self::assertSame(0, DraftPart::there($funnel->id)->whereIn('id', [$test, $variant])->count());
        $this->postJson("/studio/api/parts/{$second}/restore")->assertOk();
        self::assertSame(2, DraftPart::there($funnel->id)->whereIn('id', [$test, $variant])->count());
    }

    public function test_somebody_else_s_test_is_not_there(): void
    {
        $this->start();
        $this->actingAs($this->owner('x@ferncroft.example'));
        $this->postJson("/studio/api/tests/{$this->test}/end", ['winner' => 'b'])->assertNotFound();
        $this->postJson("/studio/api/split-tests/{$this->test}/start")->assertNotFound();
        $this->getJson("/studio/api/funnels/{$this->funnel->id}/tests")->assertNotFound();
    }

    public function test_one_that_may_end_by_itself_does_so_when_there_is_a_winner_and_not_before(): void
    {
        $row = DraftPart::query()->findOrFail($this->test);
        $this->putJson("/studio/api/parts/{$this->test}", ['byItself' => true, 'revision' => $row->revision])->assertOk();
        $this->start();
        $people = [];
        foreach (['a' => 60, 'b' => 160] as $letter => $joined) {
            for ($i = 0; $i < 400; $i++) {
                $people[] = ['experiment_id' => $this->test, 'visitor' => md5("{$letter}{$i}"), 'variant' => $letter,
                    'seen_at' => now()->format('Y-m-d H:i:s.v'), 'day' => now()->format('Y-m-d'),
                    'joined_after' => $i < $joined ? 30 : null];
            }
        }
        DB::table('experiment_people')->insert($people);
        $this->travel(6)->days();
        $this->artisan('lantern:due')->assertSuccessful();
        self::assertNull(Experiment::query()->findOrFail($this->test)->ended_at, 'a week has all its days');
        $this->travel(25)->hours();
        $this->artisan('lantern:due')->assertSuccessful();
        self::assertSame(['by-itself', 'b'], [Experiment::query()->findOrFail($this->test)->ended_how,
            Experiment::query()->findOrFail($this->test)->winner]);
        self::assertSame('b', $this->asVisitor(md5('new'))->letterSeen());
    }
}
