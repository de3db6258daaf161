<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Models\Funnel;
use App\Models\User;
use App\Serving\PreviewLink;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\Core\Plan\Plans;
use Tests\Drafts\Page;
use Tests\TestCase;
use Tests\WrittenForms;

/** A link that shows a draft to a colleague, what has changed since the live version, new funnels, and the written formats. */
final class PreviewTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->draft($this->owner);
    }

    private function link(): string
    {
        $url = (string) $this->actingAs($this->owner)->postJson("/studio/api/funnels/{$this->funnel->id}/preview-link")->assertOk()
            ->json('url');
        $this->app['auth']->forgetGuards();

        return $url;
    }

    public function test_whoever_has_the_link_sees_the_draft_and_nobody_else(): void
    {
        $link = $this->link();
        $this->get($link)->assertOk()->assertSee('The Twelve-Minute Practice Plan')->assertSee('Nothing that is done here is stored.')
            ->assertHeader('x-robots-tag', 'noindex')->assertDontSee('data-block', false);
        $this->get("/preview/{$this->funnel->id}")->assertForbidden()->assertSee('This preview has ended');
        $this->get('/'.$this->funnel->address)->assertNotFound();
    }

    /** @return iterable<string, array{callable(string): string}> */
    public static function forgeries(): iterable
    {
        yield 'a longer life' => [fn (string $url): string => (string) preg_replace_callback('/until=(\d+)/',
            fn (array $m): string => 'until='.((int) $m[1] + 1), $url)];
        yield 'another key' => [fn (string $url): string => (string) preg_replace('/key=./', 'key=!', $url)];
        yield 'no key' => [fn (string $url): string => (string) preg_replace('/&key=.*/', '', $url)];
        yield 'a list for a key' => [fn (string $url): string => str_replace('key=', 'key[]=', $url)];
        yield 'words for a time' => [fn (string $url): string => (string) preg_replace('/until=\d+/', 'until=forever', $url)];
        yield 'another funnel' => [fn (string $url): string => (string) preg_replace('~preview/\w+~', 'preview/01aaaaaaaaaaaaaaaaaaaaaaaa',
            $url)];
    }

    #[DataProvider('forgeries')]
    public function test_a_link_that_was_changed_shows_nothing(callable $change): void
    {
        $this->get($change($this->link()))->assertForbidden()->assertDontSee('The Twelve-Minute Practice Plan');
    }

    public function test_it_runs_out(): void
    {
        $link = $this->link();
        $this->travel(14)->days();
        $this->travel(-1)->minutes();
        $this->get($link)->assertOk();
        $this->travel(2)->minutes();
        $this->get($link)->assertForbidden();
    }

    public function test_its_forms_lead_on_and_store_nothing(): void
    {
        $link = $this->link();
        $html = (string) $this->get($link)->getContent();
        self::assertSame(1, preg_match('/<form [^>]*action="([^"]+)"/', $html, $m));
        $next = $this->post(html_entity_decode($m[1]), ['email' => 'robin@example.com'])->assertStatus(303);
        $this->get((string) $next->headers->get('Location'))->assertOk()->assertSee('It is yours, friend.')->assertSee('PDF');

        foreach (['people', 'submissions', 'messages', 'events', 'deliveries'] as $table) {
            self::assertSame(0, DB::table($table)->count(), $table);
        }
    }

    public function test_a_link_for_one_funnel_is_none_for_another(): void
    {
        $other = $this->draft($this->owner, 'Another');
        $until = CarbonImmutable::now()->addDay();
        parse_str((string) parse_url(PreviewLink::make($this->funnel->id, $until), PHP_URL_QUERY), $query);

        self::assertNull(PreviewLink::until($other->id, $query['until'], $query['key'], CarbonImmutable::now()));
        self::assertNotNull(PreviewLink::until($this->funnel->id, $query['until'], $query['key'], CarbonImmutable::now()));
    }

    public function test_what_has_changed_is_said_before_it_is_published_and_rolled_back(): void
    {
        $this->actingAs($this->owner);
        $path = "/studio/api/funnels/{$this->funnel->id}";
        $this->getJson("{$path}/changes")->assertOk()->assertJsonPath('changes', []);
        $first = $this->postJson("{$path}/publish", ['note' => 'The first'])->assertOk()->json('version.id');
        $this->getJson("{$path}/changes")->assertJsonPath('changes', []);

        $page = $this->entry($this->funnel);
        $document = $page->document;
        $document['sections'][0]['blocks'][0]['text'] = 'Another headline';
        $this->putJson("/studio/api/parts/{$page->id}", ['revision' => 1, 'document' => $document])->assertOk();
        $this->putJson($path, ['look' => 'linen'])->assertOk();
        $this->getJson("{$path}/changes")->assertJsonPath('changes', [
            ['about' => 'The whole funnel', 'sentences' => ['The look is “Linen”; it was “Harbour”.']],
            ['about' => 'Opt-in page', 'sentences' => ['Changed in “Another headline”: heading.']],
        ]);
        $this->postJson("{$path}/publish", ['note' => 'The second'])->assertOk()->assertJsonPath('version.number', 2);
        $this->get('/'.$this->funnel->address)->assertSee('Another headline');
        $this->postJson("{$path}/versions/{$first}/live")->assertOk();
        $this->get('/'.$this->funnel->address)->assertDontSee('Another headline');
        $this->getJson("{$path}/versions")->assertJsonPath('versions.0.note', 'The second')->assertJsonPath('versions.1.live', true);
    }

    /** @return iterable<string, array{Goal}> */
    public static function goals(): iterable
    {
        foreach (Goal::cases() as $goal) {
            yield $goal->value => [$goal];
        }
    }

    #[DataProvider('goals')]
    public function test_a_funnel_of_every_goal_is_made_over_the_api(Goal $goal): void
    {
        $this->actingAs($this->owner);
        $made = $this->postJson('/studio/api/funnels',
            ['goal' => $goal->value, 'name' => 'Private', 'title' => 'Public', 'price' => '290 €', 'introductory' => '190'])
            ->assertCreated()->json('id');
        $funnel = $this->getJson("/studio/api/funnels/{$made}")->assertOk()->assertJsonPath('goal', $goal->value);

        self::assertSame(count(Plans::of($goal)->pages), count((array) $funnel->json('pages')));
        $prices = array_column((array) $funnel->json('offers'), 'priceWords', 'name');
        self::assertSame(in_array($goal, [Goal::Sell, Goal::Webinar, Goal::Launch], true) ? '€190' : null,
            $prices['Introductory price'] ?? null);
        foreach ((array) $funnel->json('pages') as $page) {
            $this->get("/studio/preview/pages/{$page['id']}")->assertOk();
        }
        $this->postJson('/studio/api/funnels', ['goal' => $goal->value, 'name' => 'Private', 'title' => 'Public',
            'price' => str_repeat('9', 41), 'introductory' => 'much'])->assertStatus(422)->assertJsonValidationErrors('price');
        $this->postJson('/studio/api/funnels', ['goal' => $goal->value, 'name' => 'Private', 'title' => 'Public', 'introductory' => 'much'])
            ->assertStatus(422)->assertJsonValidationErrors('introductory');
    }

    public function test_a_funnel_of_ones_own_begins_empty_and_gets_its_pages_one_by_one(): void
    {
        $this->actingAs($this->owner);
        $this->postJson('/studio/api/funnels', ['goal' => 'give-away', 'name' => 'No title'])->assertJsonValidationErrors('title');
        $id = $this->postJson('/studio/api/funnels', ['goal' => 'own', 'name' => 'From nothing'])->assertCreated()->json('id');
        $draft = fn (): array => $this->getJson("/studio/api/funnels/{$id}")->assertOk()->json();
        self::assertSame([[], [], 'from-nothing'], [$draft()['pages'], $draft()['emails'], $draft()['address']]);
        $this->getJson("/studio/api/funnels/{$id}/check")->assertJsonPath('findings.0.code', 'no-pages');
        foreach (['numbers', 'drawings', 'changes', 'affected'] as $of) {
            $this->getJson("/studio/api/funnels/{$id}/{$of}")->assertOk();
        }
        $this->postJson("/studio/api/funnels/{$id}/publish")->assertUnprocessable();

        $page = $this->postJson("/studio/api/funnels/{$id}/pages", ['role' => 'opt-in'])->assertCreated()->json('page');
        self::assertSame('', $page['address'], 'the first page is the one visitors come to');
        $this->deleteJson("/studio/api/parts/{$page['id']}")->assertOk();
        self::assertSame([], $draft()['pages'], 'and can be taken back');
        $this->postJson("/studio/api/parts/{$page['id']}/restore")->assertOk();
        $this->postJson("/studio/api/funnels/{$id}/pages", ['role' => 'thank-you', 'after' => $page['id']])->assertCreated();
        self::assertSame([['joined', $draft()['pages'][1]['id']]], array_map(fn (array $w): array => [$w['outcome'], $w['toPage']],
            $draft()['ways']));
        $this->postJson("/studio/api/funnels/{$id}/publish")->assertOk();
        $this->get('/from-nothing')->assertOk();
        $this->deleteJson("/studio/api/parts/{$draft()['pages'][1]['id']}")->assertOk();
        $this->deleteJson("/studio/api/parts/{$page['id']}")->assertUnprocessable();
    }

    public function test_the_places_videos_may_come_from_are_kept_and_refused(): void
    {
        $this->actingAs($this->owner);
        $settings = ['businessName' => 'Ferncroft Cello Room', 'senderName' => 'Imke Farrow', 'senderAddress' => 'imke@ferncroft.example',
            'postalAddress' => '', 'timezone' => 'Europe/Berlin', 'currency' => 'EUR'];
        $this->putJson('/studio/api/settings', ['embedHosts' => ['video.example', 'films.video.example', 'video.example']] + $settings)
            ->assertOk()
            ->assertJsonPath('embedHosts', ['video.example', 'films.video.example']);
        foreach (['https://video.example', 'video.example/path', 'Video.example', 'localhost', '*.example',
            "video.example; script-src 'unsafe-inline'", '-a.example', ''] as $wrong) {
            $this->putJson('/studio/api/settings', ['embedHosts' => [$wrong]] + $settings)->assertStatus(422);
        }
        $this->putJson('/studio/api/settings', $settings)->assertOk()
            ->assertJsonPath('embedHosts', ['video.example', 'films.video.example']);
        self::assertSame(['video.example', 'films.video.example'], $this->owner->business->refresh()->embed_hosts);
    }

    public function test_plans_of_every_starter_in_every_look_have_the_written_form(): void
    {
        $deadline = Plans::changed(fn (array $p): array => ['deadlines' => [['id' => 'd', 'name' => 'Three days',
            'duration' => ['days' => 3,
                'time' => '20:00'], 'latest' => ['moment' => '2027-01-01T18:00', 'zone' => 'Europe/Oslo'], 'grace' => 5, 'again' => 30,
            'starts' => [['kind' => 'page', 'page' => $p['pages'][0]['id']]], 'byAddress' => true, 'leadsOn' => false,
            'pages' => [['page' => $p['pages'][0]['id'], 'before' => $p['pages'][1]['id']]], 'warning' => ['minutes' => 5,
                'text' => 'x']]],
            'emails' => [['id' => 'e', 'name' => 'x', 'subject' => 'x', 'body' => 'x', 'timing' => ['from' => 'deadline',
                'deadline' => 'd', 'edge' => 'end',
                'days' => -1, 'hour' => 9], 'only' => ['all' => true, 'rules' => [['kind' => 'deadline', 'state' => 'over',
                    'deadline' => 'd']]]]], 'times' => ['closes' => ['moment' => '2027-01-01T18:00', 'zone' => 'UTC']],
            'webinars' => [['id' => 'w', 'name' => 'x', 'title' => 'x', 'mode' => 'automated', 'video' => 'v', 'pauses' => true,
                'schedule' => ['kind' => 'recurring', 'zone' => 'Europe/Oslo', 'theirs' => true, 'times' => ['18:00'], 'quietFrom' => 22,
                    'recurrence' => ['every' => 'month', 'interval' => 2, 'days' => [2], 'nth' => -1, 'from' => '2027-01-05',
                        'until' => '2028-01-05'], 'blackouts' => [['from' => '2027-02-01', 'until' => '2027-02-08']], 'closes' => -5,
                    'places' => 9],
                'offer' => ['offer' => 'o', 'second' => 60], 'threshold' => ['minutes' => 20], 'showsPlaces' => true,
                'replay' => ['days' => 2, 'until' => '2027-03-01T20:00', 'for' => 'attended']]]] + $p);
        foreach ([...Plans::all(), 'one with a deadline and a webinar' => $deadline] as $goal => $plan) {
            foreach (array_keys(Looks::all()) as $look) {
                $array = ['look' => ['id' => $look, 'accent' => '#123456', 'corner' => 3]] + $plan->toArray();
                self::assertSame('', WrittenForms::trouble($array, 'plan'), $goal);
            }
        }
    }

    /** @return iterable<string, array{list<string|int>, mixed, bool}> where something else stands, what, and is it still a plan? */
    public static function otherPlans(): iterable
    {
        $section = ['parts', 0, 'document', 'sections', 0];
        yield 'as it is' => [['name'], 'Another', true];
        yield 'an unknown look' => [['look', 'id'], 'velvet', false];
        yield 'a zone that is too long' => [['times'], ['closes' => ['moment' => '2027-01-01T18:00', 'zone' => str_repeat('x', 61)]],
            false];
        yield 'a tone that is missing' => [[...$section, 'background'], ['fill' => 'tone'], false];
        yield 'a section of an unknown look' => [[...$section, 'look'], 'velvet', false];
        yield 'a pop-up of no section' => [['popups'], 0, false];
        yield 'a pop-up of four' => [['popups'], 4, false];
        yield 'a key that nobody knows, on top' => [['mood'], 'good', true];
        yield 'in a part' => [['parts', 0, 'mood'], 'good', true];
        yield 'in a section' => [[...$section, 'mood'], ['very' => 'good'], true];
        yield 'in a block' => [[...$section, 'blocks', 0, 'mood'], 'good', true];
    }

    /** @param  list<string|int>  $at */
    #[DataProvider('otherPlans')]
    public function test_the_written_form_takes_what_is_taken_and_refuses_what_is_refused(array $at, mixed $value, bool $isTaken): void
    {
        $plan = (array) json_decode((string) json_encode(\Tests\Core\Plan\Plans::all()['give-away']->toArray()), true);
        if ($at === ['popups']) {
            $section = ['id' => 's', 'kind' => 'opening', 'blocks' => []];
            $plan['parts'][] = ['kind' => 'popup', 'id' => 'popup', 'name' => 'P', 'on' => true,
                'document' => ['format' => Document::FORMAT,
                    'sections' => array_map(fn (int $i): array => ['id' => "s{$i}"] + $section,
                        $value === 0 ? [] : range(1, (int) $value))]];
        } else {
            $place = &$plan;
            foreach ($at as $key) {
                $place = &$place[$key];
            }
            $place = $value;
            unset($place);
        }
        self::assertSame($isTaken, WrittenForms::trouble($plan, 'plan', false) === '', WrittenForms::trouble($plan, 'plan', false));
        try {
            Plan::fromArray($plan);
            self::assertTrue($isTaken, 'the importer takes it');
        } catch (Invalid $e) {
            self::assertFalse($isTaken, $e->path.': '.$e->getMessage());
        }
    }

    public function test_the_written_form_of_pages_is_what_the_core_says(): void
    {
        $check = new Process([PHP_BINARY, 'docs/formats/make.php', '--check'], base_path());

        self::assertSame(0, $check->run(), $check->getOutput());
        self::assertSame(2, Page::query()->count());
    }
}
