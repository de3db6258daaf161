<?php

declare(strict_types=1);

namespace Tests\Feature\Popups;

use App\Forms\FormToken;
use App\Models\PublishedPage;
use App\Models\Site;
use App\Models\Submission;
use App\Popups\LinksToSites;
use App\Popups\SeenPages;
use App\Rendering\Slots;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** Forms and pop-ups on the owner's other sites. */
final class SitesTest extends PopupTestCase
{
    private Site $site;

    protected function setUp(): void
    {
        parent::setUp();
        $this->site = $this->site();
        $this->place([['how' => 'begins', 'text' => '/notes/'], ['how' => 'exactly', 'text' => '/notes/draft', 'except' => true]]);
    }

    /** @param  list<array<string, mixed>>  $patterns */
    private function place(array $patterns): void
    {
        $this->popup = $this->addPopup(['tag' => 'Notes', 'targeting' => ['pages' => 'none', 'sites' => [['site' => $this->site->id,
            'patterns' => $patterns]]], 'spot' => ['how' => 'after-paragraph', 'number' => 2]], 'popup-placed')->id;
        $this->publish();
    }

    /** @param  array<string, mixed>  $more */
    private function read(string $path, array $more = [], string $origin = 'https://blog.example'): TestResponse
    {
        return $this->post('/w/ask', $more + ['site' => $this->site->id, 'address' => $path, 'title' => 'A note',
            'visitor' => $this->visitor],
            ['Origin' => $origin]);
    }

    public function test_the_line_of_script_is_one_file_for_good_and_may_be_used_elsewhere(): void
    {
        $script = $this->get("/w/{$this->site->id}.js")->assertOk()->assertHeader('Access-Control-Allow-Origin', '*')
            ->assertHeader('Content-Type', 'text/javascript; charset=utf-8');
        self::assertStringContainsString($this->site->id, (string) $script->getContent());
        self::assertStringNotContainsString('import ', substr((string) $script->getContent(), 0, 200));
        $this->get("/w/{$this->site->id}.js", ['If-None-Match' => (string) $script->headers->get('ETag')])->assertStatus(304);
        $this->get('/w/01jgone0000000000000000000.js')->assertOk()->assertSee('not known any more');
    }

    public function test_a_form_stands_where_its_pattern_says_and_nowhere_else(): void
    {
        $this->read('/notes/first')->assertJsonCount(1, 'popups')->assertJsonPath('popups.0.placed', true)
            ->assertJsonPath('popups.0.spot', ['how' => 'after-paragraph', 'number' => 2]);
        $this->read('/notes/draft/')->assertJsonCount(0, 'popups');
        $this->read('/about')->assertJsonCount(0, 'popups');
        // Nor on the pages of the funnel.
        $found = $this->ask()->json('popups');
        self::assertNotContains($this->popup, array_column($found, 'id'));
    }

    /** @return iterable<string, array{string, string, string}> the site, where a picture is, and where a page is */
    public static function sites(): iterable
    {
        yield 'a host of its own' => ['https://pages.example', 'https://pages.example/media/', 'https://pages.example/'];
        yield 'below a path' => ['https://ferncroft.example/free', 'https://ferncroft.example/free/media/',
            'https://ferncroft.example/free/'];
    }

    #[DataProvider('sites')]
    public function test_in_a_page_elsewhere_every_address_is_a_whole_one(string $site, string $picture, string $page): void
    {
        config(['lantern.site_url' => $site]);
        $asked = PublishedPage::query()->where('popup', '!=', 'null')->where('version_id', $this->funnel->refresh()->live_version_id)
            ->where('page_id', $this->popup)->sole();
        $link = Slots::name('page', $this->entry($this->funnel)->id);
        $asked->forceFill(['html' => str_replace('<form ', "<img src=\"/media/x/480.webp\"><a href=\"{$link}\">x</a><form ", $asked->html),
            'slots' => $asked->slots + ['page:'.$this->entry($this->funnel)->id => ['address' => '']]])->save();
        // Where the folder is taken off by the web server.
        $host = (string) preg_replace('~^(https://[^/]+).*$~', '$1', $site);
        $html = $this->post("{$host}/w/ask", ['site' => $this->site->id, 'address' => '/notes/first', 'title' => 'A note',
            'visitor' => $this->visitor], ['Origin' => 'https://blog.example'])->assertOk()->getContent();
        $html = (string) json_encode(json_decode((string) $html), JSON_UNESCAPED_SLASHES);
        self::assertStringContainsString("{$picture}x/480.webp", $html);
        self::assertStringContainsString("href=\\\"{$page}{$this->funnel->address}\\\"", $html);
    }

    public function test_different_articles_carry_different_gifts(): void
    {
        $other = $this->live($this->user);
        $second = $this->addPopup(['targeting' => ['pages' => 'none', 'sites' => [['site' => $this->site->id,
            'patterns' => [['how' => 'exactly', 'text' => '/rosin']]]]]], 'popup-placed', $other);
        $this->publish($other);
        self::assertSame([[$this->popup], [$second->id]], [$this->read('/notes/1')->json('popups.*.id'),
            $this->read('/rosin')->json('popups.*.id')]);
    }

    public function test_who_joins_there_is_known_by_site_page_and_pattern(): void
    {
        $ticket = $this->read('/notes/first?utm_source=forum', ['source' => 'utm_source=forum'])->json('ticket');
        $token = $this->post('/w/show', ['ticket' => $ticket, 'popup' => $this->popup, 'trigger' => ''])->assertJsonPath('show', true)
            ->json('token');
        $this->travel(5)->seconds();
        $this->post('/w/join', ['ticket' => $ticket, 'popup' => $this->popup, 'token' => $token, 'form' => $this->form,
            'email' => 'robin@example.com', 'consent' => 'yes'])->assertOk()->assertJsonPath('thanks', true);

        $submission = Submission::query()->sole();
        self::assertSame([$this->popup, $this->site->id, '/notes/first', $this->page, 'forum', 'blog.example'], [$submission->popup_id,
            $submission->site_id, $submission->site_path, $submission->page_id, $submission->source['utm_source'] ?? '',
            $submission->source['ref'] ?? '']);
        self::assertSame(['begins with /notes/', 'begins with /notes/', 'begins with /notes/'],
            DB::table('popup_facts')->where('popup_id', $this->popup)->orderBy('id')->pluck('pattern')->all());
        $this->actingAs($this->user)->getJson("/studio/api/parts/{$this->popup}/popup")->assertOk()
            ->assertJsonPath('numbers.shown', 1)->assertJsonPath('numbers.joined', 1)
            ->assertJsonPath('places.0.name', 'Practice notes')->assertJsonPath('places.0.pattern', 'begins with /notes/');
        // In that browser, on that site, it is not there any more.
        $this->read('/notes/second')->assertJsonCount(0, 'popups');
    }

    public function test_a_way_onward_leads_by_way_of_our_own_host(): void
    {
        $written = DB::table('draft_parts')->where('id', $this->popup)->value('definition');
        $document = json_decode((string) $written, true)['document'];
        array_pop($document['sections']);
        $this->change(['document' => $document, 'after' => ['kind' => 'page', 'to' => '']]);
        $ticket = $this->read('/notes/1')->json('ticket');
        $token = FormToken::issue($this->popup);
        $this->travel(5)->seconds();
        $go = (string) $this->post('/w/join', ['ticket' => $ticket, 'popup' => $this->popup, 'token' => $token, 'form' => $this->form,
            'email' => 'robin@example.com', 'consent' => 'yes'])->json('go');
        self::assertStringContainsString('/e/done/', $go);
        $this->get((string) parse_url($go, PHP_URL_PATH))->assertRedirect($this->funnel->url('thank-you'))->assertCookie('lantern_joined');
    }

    public function test_pages_on_which_it_was_seen_are_remembered_once_each(): void
    {
        $this->read('/notes/first');
        $this->read('https://blog.example/notes/first/#top', ['title' => "First\x07 note"]);
        $this->read('/notes/'.str_repeat('x', 900), ['title' => ['x']]);
        $pages = DB::table('site_pages')->orderBy('id')->get(['path', 'title', 'views']);
        self::assertSame([['/notes/first', 'First note', 2], [500, '', 1]], [[$pages[0]->path, $pages[0]->title, $pages[0]->views],
            [strlen((string) $pages[1]->path), $pages[1]->title, $pages[1]->views]]);
        $this->actingAs($this->user)->getJson('/studio/api/sites')->assertJsonPath('sites.0.pages.0.path', '/notes/first')
            ->assertJsonPath('sites.0.views', 3)->assertJsonPath('sites.0.seenAt', fn ($at) => $at !== null);
    }

    public function test_only_the_owners_site_and_hosts_below_it_get_an_answer(): void
    {
        foreach (['https://blog.example' => 1, 'https://www.blog.example' => 1, 'https://new.blog.example' => 1,
            'http://blog.example:8080' => 1,
            'https://notblog.example' => 0, 'https://blog.example.evil.example' => 0, 'null' => 0] as $origin => $count) {
            $this->read('/notes/1', origin: $origin)->assertOk()->assertJsonCount($count, 'popups');
        }
    }

    public function test_what_is_no_browser_writes_nothing_and_one_address_fills_no_list(): void
    {
        $rows = fn (): array => array_map(fn (string $t): int => DB::table($t)->count(), ['site_pages', 'popup_visits', 'popup_facts']);
        $before = $rows();
        foreach (['https://blog.example', ''] as $origin) {
            $this->post('/w/ask', ['site' => $this->site->id, 'address' => '/notes/1', 'visitor' => $this->visitor],
                $origin === '' ? [] : ['Origin' => 'https://elsewhere.example'])->assertOk()->assertExactJson(['popups' => []]);
            $this->post('/w/ask', ['funnel' => $this->funnel->id, 'page' => $this->page, 'visitor' => $this->visitor])
                ->assertExactJson(['popups' => []]);
        }
        self::assertSame($before, $rows());
        foreach (range(1, SeenPages::NEW_PER_ADDRESS + 5) as $i) {
            $this->read("/made-up/{$i}")->assertOk();
        }
        self::assertSame($before[0] + SeenPages::NEW_PER_ADDRESS, $rows()[0]);
        $this->read('/made-up/1')->assertOk();
        self::assertSame(2, (int) DB::table('site_pages')->where('path', '/made-up/1')->value('views'), 'what is known is still counted');
        config(['lantern.popup_views_per_address' => 50]);
        foreach (range(1, 10) as $i) {
            $this->visitor = md5((string) $i);
            $this->read('/notes/1');
        }
        $full = $rows();
        $this->visitor = md5('one too many');
        $this->read('/notes/1')->assertExactJson(['popups' => []]);
        self::assertSame($full, $rows());
        $this->withServerVariables(['REMOTE_ADDR' => '203.0.113.5'])->read('/notes/1')->assertJsonCount(1, 'popups');
    }

    public function test_of_too_many_pages_the_least_seen_makes_room(): void
    {
        $row = fn (int $i): array => ['site_id' => $this->site->id, 'path' => "/p{$i}", 'first_at' => '2027-01-01', 'views' => $i === 700
            ? 1 : 2,
            'last_at' => '2027-01-01'];
        DB::table('site_pages')->delete();
        foreach (array_chunk(array_map($row, range(1, SeenPages::MOST)), 200) as $rows) {
            DB::table('site_pages')->insert($rows);
        }
        $this->read('/new')->assertOk();
        self::assertSame([SeenPages::MOST, 1, 0], [DB::table('site_pages')->count(), DB::table('site_pages')->where('path',
            '/new')->count(),
            DB::table('site_pages')->where('path', '/p700')->count()]);
    }

    public function test_nobody_elses_site_opens_what_is_ours(): void
    {
        $stranger = $this->owner('stranger@example.com');
        $theirs = $this->site('https://theirs.example', $stranger);
        $ticket = $this->post('/w/ask', ['site' => $theirs->id, 'address' => '/', 'visitor' => $this->visitor],
            ['Origin' => 'https://theirs.example'])->json('ticket');
        self::assertNotEmpty($ticket);
        $this->change(['triggers' => [['kind' => 'click']]]);
        $this->post('/w/show', ['ticket' => $ticket, 'popup' => $this->popup, 'trigger' => 'click', 'content' => '1'])
            ->assertJsonPath('show', false)->assertJsonMissingPath('popup');
    }

    public function test_a_removed_site_shows_nothing_and_comes_back_with_an_undo(): void
    {
        $this->actingAs($this->user);
        $this->deleteJson("/studio/api/sites/{$this->site->id}")->assertOk()->assertJsonCount(1, 'sentences');
        $this->read('/notes/1')->assertJsonCount(0, 'popups');
        $this->postJson("/studio/api/sites/{$this->site->id}/restore")->assertOk();
        $this->read('/notes/1')->assertJsonCount(1, 'popups');
        $this->postJson("/studio/api/sites/{$this->site->id}/restore")->assertOk();
    }

    public function test_a_removed_site_does_not_come_back_beside_one_of_the_same_address(): void
    {
        $this->actingAs($this->user);
        $this->deleteJson("/studio/api/sites/{$this->site->id}")->assertOk();
        $this->postJson('/studio/api/sites', ['address' => $this->site->origin])->assertCreated();
        $this->postJson("/studio/api/sites/{$this->site->id}/restore")->assertStatus(422)->assertJsonValidationErrorFor('address');
        $this->getJson('/studio/api/sites')->assertOk()->assertJsonCount(1, 'sites');
    }

    /** @return iterable<string, array{string, string}> */
    public static function words(): iterable
    {
        yield 'a parameter' => ['utm_term=quiet+bows', 'On quiet bows, A note, quiet bows'];
        yield 'none' => ['', 'On music, A note, nothing'];
        yield 'markup' => ['utm_term=%3Cscript%3Ealert(1)%3C/script%3E', 'On &lt;script&gt;alert(1)&lt;/script&gt;, A note, '
            .'&lt;script&gt;alert(1)&lt;/script&gt;'];
        yield 'a merge field' => ['utm_term={{email}}', 'On {{email}}, A note, {{email}}'];
        yield 'a list' => ['utm_term[]=x', 'On music, A note, nothing'];
        yield 'what is not allowed' => ['secret=x', 'On music, A note, x'];
    }

    #[DataProvider('words')]
    public function test_words_may_speak_of_the_address_and_the_page(string $source, string $expected): void
    {
        $document = json_decode((string) DB::table('draft_parts')->where('id', $this->popup)->value('definition'), true)['document'];
        foreach ($document['sections'][0]['blocks'] as $i => $block) {
            if ($block['kind'] === 'heading') {
                $document['sections'][0]['blocks'][$i]['text'] = 'On {{utm_term|music}}, {{site_title|this}}, {{site_search|nothing}}';
            }
        }
        $this->change(['document' => $document]);
        self::assertStringContainsString(">{$expected}</h2>", $this->read('/notes/1', ['source' => $source])->json('popups.0.steps.main'));
    }

    public function test_what_comes_from_an_email_of_ours_is_not_disturbed_there(): void
    {
        $slip = $this->addPopup(['triggers' => [['kind' => 'seconds', 'amount' => 5]], 'targeting' => ['pages' => 'none',
            'sites' => [['site' => $this->site->id, 'patterns' => []]]]], 'popup-slip');
        $this->publish();
        self::assertContains($slip->id, $this->read('/about')->json('popups.*.id'));
        $this->visitor = bin2hex(random_bytes(16));
        self::assertSame([], $this->read('/about', ['source' => 'lantern=email'])->json('popups.*.id'));
        self::assertSame([], $this->read('/other')->json('popups.*.id'), 'nor later on this visit');
        $this->travel(31)->minutes();
        self::assertSame([$slip->id], $this->read('/other')->json('popups.*.id'));
    }

    public function test_links_in_emails_to_a_site_say_that_they_come_from_one_and_nothing_of_who_follows(): void
    {
        $marked = fn (string $url): string => LinksToSites::marked($this->user->business_id, $url);
        self::assertSame(['https://blog.example/a?x=1&lantern=email#top', 'https://blog.example/?lantern=email',
            'https://elsewhere.example/',
            'mailto:x@blog.example'],
            array_map($marked, ['https://blog.example/a?x=1#top', 'https://blog.example/', 'https://elsewhere.example/',
                'mailto:x@blog.example']));
        self::assertSame('https://blog.example/', LinksToSites::marked($this->owner('other@example.com')->business_id,
            'https://blog.example/'));
        $this->site->forceFill(['deleted_at' => now()])->save();
        self::assertSame('https://blog.example/', $marked('https://blog.example/'), 'it is none of theirs any more');
    }

    public function test_sites_are_added_and_refused_with_a_reason(): void
    {
        $this->actingAs($this->user);
        $add = fn (mixed $address): TestResponse => $this->postJson('/studio/api/sites', ['address' => $address]);
        $add('Shop.Example/path?x=1')->assertCreated()->assertJsonPath('origin', 'https://shop.example')->assertJsonPath('name',
            'shop.example');
        $add('http://127.0.0.1:8001')->assertCreated()->assertJsonPath('origin', 'http://127.0.0.1:8001');
        $add('https://shop.example')->assertStatus(422)->assertJsonPath('errors.address.0', 'This site is on your list already.');
        foreach (['', 'javascript:alert(1)', 'https://', 'https://a b', 'https://x@y.example', '"><script>', ['x'],
            str_repeat('a', 400)] as $bad) {
            $add($bad)->assertStatus(422)->assertJsonStructure(['errors' => ['address']]);
        }
    }

    public function test_the_tester_says_which_rules_say_no(): void
    {
        $this->actingAs($this->user);
        $try = fn (array $of): TestResponse => $this->postJson("/studio/api/parts/{$this->popup}/popup/try", $of)->assertOk();
        $try(['site' => $this->site->id, 'address' => '/notes/1'])->assertJsonPath('shows', true)
            ->assertJsonPath('pattern', 'begins with /notes/');
        $try(['site' => $this->site->id, 'address' => '/about'])->assertJsonPath('refusals', ['It is not shown on this page.']);
        $try(['site' => $this->site->id, 'address' => '/notes/1', 'joined' => true])
            ->assertJsonPath('refusals', ['They have what it offers already.']);
        $this->postJson("/studio/api/parts/{$this->popup}/popup/try", ['person' => 'nobody@example.com'])->assertStatus(422)
            ->assertJsonPath('errors.person.0', 'Nobody on your list has this address.');
        $this->postJson("/studio/api/parts/{$this->popup}/popup/try", ['visit' => ['x'], 'source' => ['y'], 'site' => 7])->assertOk();
    }
}
