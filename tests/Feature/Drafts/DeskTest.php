<?php

declare(strict_types=1);

namespace Tests\Feature\Drafts;

use App\Files\Uploads;
use App\Models\Funnel;
use App\Models\OwnDesign;
use App\Models\Upload;
use App\Models\User;
use App\Publishing\Publishing;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Page\Design\Designs;
use Lantern\Core\Page\SectionKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Form;
use Tests\Drafts\LeadMagnet;
use Tests\Drafts\Page;
use Tests\Drafts\SharedSection;
use Tests\TestCase;

/** What the page desk asks the server: drawing, checking, fixing, designs; shared sections and the owner's own designs. */
final class DeskTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    private Page $page;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->draft($this->owner);
        $this->page = $this->entry($this->funnel);
        $this->actingAs($this->owner);
    }

    /** @param  array<string, mixed>  $body */
    private function ask(string $what, array $body = []): TestResponse
    {
        return $this->postJson("/studio/api/pages/{$this->page->id}/{$what}", $body);
    }

    /** @return array<string, mixed> */
    private function document(): array
    {
        return $this->page->refresh()->document;
    }

    private function picture(): Upload
    {
        $image = imagecreatetruecolor(600, 300);
        imagefill($image, 0, 0, (int) imagecolorallocate($image, 250, 250, 250));
        ob_start();
        imagepng($image);

        return app(Uploads::class)->picture($this->owner->business, $this->file('a.png', (string) ob_get_clean()));
    }

    public function test_a_section_is_drawn_from_what_is_on_the_screen_and_nothing_is_stored(): void
    {
        $document = $this->document();
        $document['sections'][0]['blocks'][0]['text'] = 'Only on the screen <b>';
        $before = DB::table('draft_parts')->where('kind', 'page')->orderBy('id')->get()->toJson();

        $answer = $this->ask('draw', ['document' => $document, 'sections' => [$document['sections'][0]['id'], 'unknown']])->assertOk();
        self::assertSame([$document['sections'][0]['id']], array_keys((array) $answer->json('sections')));
        $html = $answer->json('sections')[$document['sections'][0]['id']];
        self::assertStringContainsString('Only on the screen &lt;b&gt;', $html);
        self::assertStringContainsString('data-field="text"', $html);
        self::assertStringNotContainsString('slot:', $html);
        self::assertSame($before, DB::table('draft_parts')->where('kind', 'page')->orderBy('id')->get()->toJson());
    }

    public function test_the_whole_page_is_drawn_in_a_look_that_is_being_tried_on(): void
    {
        $html = (string) $this->ask('draw', ['look' => 'graphite', 'changes' => ['accent' => '#ff0000']])->assertOk()->json('html');

        self::assertStringContainsString('--heading:&#039;Space Grotesk', $html);
        self::assertStringContainsString('--accent:#ff0000', $html);
        self::assertSame('harbour', $this->funnel->refresh()->look);
    }

    public function test_a_sample_reader_sees_their_name(): void
    {
        $this->page = Page::query()->where('funnel_id', $this->funnel->id)->where('position', 1)->firstOrFail();
        $html = (string) $this->ask('draw', ['sample' => true])->assertOk()->json('html');

        self::assertStringContainsString('It is yours, Robin.', $html);
        self::assertStringContainsString('Ferncroft Cello Room', $html);
        self::assertStringNotContainsString('{{', $html);
        self::assertStringNotContainsString('data-field', $html, 'and cannot type');
    }

    public function test_what_is_hostile_on_the_screen_is_drawn_harmless(): void
    {
        $document = $this->document();
        $document['sections'][0]['blocks'][1]['html'] = '<img src=x onerror=alert(1)><script>alert(1)</script><a '
            .'href="javascript:alert(1)">x</a><span class="in-accent x" style="position:fixed">y</span><span '
                .'class="in-soft">z</span><style>*{display:none}</style><svg onload=alert(1)>';
        $html = (string) $this->ask('draw', ['document' => $document])->assertOk()->json('html');

        foreach (['onerror', '<script', 'javascript:', '<svg onload', 'style="position', '*{display'] as $bad) {
            self::assertStringNotContainsString($bad, $html, $bad);
        }
        self::assertStringContainsString('<span class="in-soft">z</span>', $html, 'a colour of the look is kept');
    }

    /** @return iterable<string, array{mixed}> */
    public static function noDocuments(): iterable
    {
        yield 'words' => ['words'];
        yield 'nothing' => [[]];
        yield 'a number' => [7];
        yield 'a page of a thousand sections' => [['format' => 2,
            'sections' => array_map(fn (int $i): array => ['id' => "s{$i}", 'kind' => 'words', 'blocks' => []], range(1, 1000))]];
        yield 'a section of a hundred blocks' => [['format' => 2,
            'sections' => [['id' => 's', 'kind' => 'words',
                'blocks' => array_map(fn (int $i): array => ['id' => "b{$i}", 'kind' => 'divider'], range(1, 100))]]]];
        yield 'the same id twice' => [['format' => 2,
            'sections' => [['id' => 's', 'kind' => 'words', 'blocks' => []], ['id' => 's', 'kind' => 'words', 'blocks' => []]]]];
        yield 'a picture of nobody’s' => [['format' => 2,
            'sections' => [['id' => 's', 'kind' => 'words',
                'background' => ['fill' => 'picture', 'picture' => '01aaaaaaaaaaaaaaaaaaaaaaaa'], 'blocks' => []]]]];
        yield 'a video of nobody’s' => [['format' => 2,
            'sections' => [['id' => 's', 'kind' => 'words',
                'blocks' => [['id' => 'b', 'kind' => 'video', 'video' => '01aaaaaaaaaaaaaaaaaaaaaaaa', 'text' => '']]]]]];
    }

    #[DataProvider('noDocuments')]
    public function test_what_is_no_page_is_refused_everywhere_and_leaves_nothing(mixed $document): void
    {
        $before = DB::table('draft_parts')->where('kind', 'page')->orderBy('id')->get()->toJson();
        foreach (['draw', 'check', 'fix', 'restyle'] as $what) {
            $this->ask($what, ['document' => $document, 'code' => 'empty-link', 'place' => 'x', 'design' => 'calm'])->assertStatus(422)
                ->assertJsonStructure(['message', 'errors']);
        }
        $this->putJson("/studio/api/parts/{$this->page->id}", ['revision' => 1, 'document' => $document])->assertStatus(422);
        self::assertSame($before, DB::table('draft_parts')->where('kind', 'page')->orderBy('id')->get()->toJson());
    }

    public function test_json_nested_without_end_or_without_measure_is_refused(): void
    {
        $deep = str_repeat('{"a":', 60).'1'.str_repeat('}', 60);
        $this->call('POST', "/studio/api/pages/{$this->page->id}/draw", [], [], [], ['CONTENT_TYPE' => 'application/json'], $deep)
            ->assertStatus(400);
        $this->call('POST', "/studio/api/pages/{$this->page->id}/draw", [], [], [], ['CONTENT_TYPE' => 'application/json'],
            '{"a":"'.str_repeat('x', 2_100_000).'"}')->assertStatus(413);
    }

    public function test_a_page_of_sixty_sections_is_saved_drawn_and_published(): void
    {
        $document = $this->document();
        $kinds = array_values(array_filter(SectionKind::ofPages(),
            fn (SectionKind $k): bool => ! in_array($k,
                [SectionKind::Video, SectionKind::Pictures, SectionKind::Countdown, SectionKind::Price,
                    SectionKind::Checkout], true)));
        for ($i = 0; $i < 60; $i++) {
            $n = 0;
            $section = Designs::of($kinds[$i % count($kinds)])[0]->section(function () use ($i, &$n): string {
                return "s{$i}-".$n++;
            }, ['form' => (string) Form::query()->where('funnel_id', $this->funnel->id)->value('id'),
                'lead-magnet' => (string) LeadMagnet::query()->where('funnel_id', $this->funnel->id)->value('id')])->toArray();
            array_walk_recursive($section, fn (mixed & $v) => $v = is_string($v) ? str_replace(['[', ']'], '', $v) : $v);
            foreach ($section['blocks'] as &$block) {
                $block = $block['kind'] === 'button' ? ['url' => 'https://else.example/'] + $block : $block;
                $block = $block['kind'] === 'menu' ? ['items' => []] + $block : $block;
            }
            $document['sections'][] = $section;
        }
        $this->putJson("/studio/api/parts/{$this->page->id}", ['revision' => 1, 'document' => $document])->assertOk();
        self::assertCount(62, $this->document()['sections']);
        $this->ask('draw', ['document' => $document, 'sections' => ['s59-0']])->assertOk()->assertJsonCount(1, 'sections');
        app(Publishing::class)->publish($this->funnel->refresh(), null);

        self::assertSame(62, substr_count((string) $this->get('/'.$this->funnel->address)->assertOk()->getContent(), ' class="section '));
    }

    public function test_the_check_runs_on_what_is_on_the_screen(): void
    {
        $document = $this->document();
        $this->ask('check', ['document' => $document])->assertOk()->assertJsonPath('findings', []);
        $document['sections'][0]['background'] = ['fill' => 'colour', 'colour' => '#ffffff', 'ink' => '#eeeeee'];
        $found = $this->ask('check', ['document' => $document])->assertOk();

        self::assertContains('contrast', array_column((array) $found->json('findings'), 'code'));
        $first = $found->json('findings.0');
        $fixed = $this->ask('fix', ['document' => $document, 'code' => $first['code'], 'place' => $first['place']])->assertOk()
            ->json('document');
        self::assertSame(['fill' => 'colour', 'colour' => '#ffffff'], $fixed['sections'][0]['background']);
        $this->ask('check', ['document' => $fixed])->assertOk()->assertJsonPath('findings', []);
        $this->ask('fix', ['document' => $document, 'code' => 'placeholder', 'place' => 'x'])->assertStatus(422);
    }

    public function test_a_heavy_picture_is_weighed_by_what_a_browser_loads(): void
    {
        $image = imagecreatetruecolor(1600, 1200);
        mt_srand(7);
        for ($x = 0; $x < 1600; $x += 2) {
            for ($y = 0; $y < 1200; $y += 2) {
                imagefilledrectangle($image, $x, $y, $x + 1, $y + 1, mt_rand(0, 0xFFFFFF));
            }
        }
        ob_start();
        imagepng($image, null, 1);
        $noise = app(Uploads::class)->picture($this->owner->business, $this->file('noise.png', (string) ob_get_clean()));
        $document = $this->document();
        $document['sections'][0]['blocks'][] = ['id' => 'p', 'kind' => 'picture', 'picture' => $noise->id, 'alt' => 'Noise'];

        $this->ask('check', ['document' => $document])->assertOk()->assertJsonPath('findings.0.code', 'heavy-picture');
    }

    /** @return iterable<string, array{SectionKind}> */
    public static function kinds(): iterable
    {
        foreach (SectionKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_all_designs_of_a_kind_are_shown_and_each_goes_onto_the_page_and_back(SectionKind $kind): void
    {
        $html = (string) $this->get("/studio/preview/funnels/{$this->funnel->id}/designs/{$kind->value}")->assertOk()
            ->assertHeader('content-security-policy')->getContent();
        self::assertStringNotContainsString('<script', $html);
        foreach (Designs::of($kind) as $design) {
            self::assertStringContainsString("data-section=\"{$design->id}_", $html);
            $section = $this->ask('sections', ['design' => $design->id])->assertCreated()->json('section');
            self::assertSame($kind->value, $section['kind']);
            foreach (Designs::of($kind) as $other) {
                $this->ask('redesign', ['section' => $section, 'design' => $other->id])->assertOk()
                    ->assertJsonPath('section.id', $section['id'])->assertJsonPath('section.arrangement', $other->arrangement->value);
            }
        }
    }

    public function test_blocks_and_entries_are_made_and_unknown_ones_are_not(): void
    {
        $this->ask('blocks', ['kind' => 'heading', 'section' => 'words'])->assertCreated()->assertJsonPath('block.kind', 'heading');
        $this->ask('blocks', ['kind' => 'form', 'section' => 'form'])->assertCreated()
            ->assertJsonPath('block.form', Form::query()->where('funnel_id', $this->funnel->id)->value('id'));
        $this->ask('blocks', ['kind' => 'questions', 'section' => 'questions', 'item' => true])->assertCreated()
            ->assertJsonPath('item.title', 'How much time does it take?');
        $this->ask('blocks', ['kind' => 'script', 'section' => 'words'])->assertStatus(422);
        $this->ask('blocks', ['kind' => 'heading'])->assertStatus(422);
        $this->ask('sections', ['design' => 'nothing'])->assertStatus(422);
        $this->ask('sections', [])->assertStatus(422);
        $this->ask('redesign', ['section' => 'words', 'design' => 'words-left'])->assertStatus(422);
        $this->get("/studio/preview/funnels/{$this->funnel->id}/designs/nothing")->assertNotFound();
    }

    public function test_the_page_in_another_design_keeps_its_words(): void
    {
        $document = $this->document();
        foreach (['calm', 'beside', 'cards', 'bands'] as $design) {
            $after = $this->ask('restyle', ['document' => $document, 'design' => $design])->assertOk()->json('document');
            self::assertSame($document['sections'][0]['blocks'][0], $after['sections'][0]['blocks'][0]);
            self::assertSame(array_column($document['sections'], 'id'), array_column($after['sections'], 'id'));
        }
        $this->ask('restyle', ['document' => $document, 'design' => 'none'])->assertStatus(422);
    }

    public function test_a_section_pasted_from_another_funnel_takes_on_this_funnels_form(): void
    {
        $other = $this->draft($this->owner, 'Another');
        $section = $this->entry($other)->document['sections'][0];
        $pasted = $this->ask('sections', ['section' => $section])->assertCreated()->json('section');

        self::assertNotSame($section['id'], $pasted['id']);
        self::assertSame(Form::query()->where('funnel_id', $this->funnel->id)->value('id'), $pasted['blocks'][2]['form']);
        self::assertSame($section['blocks'][0]['text'], $pasted['blocks'][0]['text']);
    }

    public function test_a_shared_footer_is_kept_once_shown_on_all_pages_and_goes_live_with_the_next_version(): void
    {
        $footer = $this->document()['sections'][1];
        $shared = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts",
            ['kind' => 'shared-section'] + ['name' => 'Footer', 'section' => $footer])->assertCreated()->json();
        foreach (Page::query()->where('funnel_id', $this->funnel->id)->get() as $page) {
            $document = $page->document;
            // Whatever blocks come along with it are not the page's to keep.
            $document['sections'][1] = ['id' => 'foot', 'kind' => 'footer', 'shared' => $shared['id'], 'blocks' => $footer['blocks']];
            $this->putJson("/studio/api/parts/{$page->id}", ['revision' => 1, 'document' => $document])->assertOk()
                ->assertJsonPath('document.sections.1.blocks', []);
        }
        app(Publishing::class)->publish($this->funnel->refresh(), null);
        $this->get('/'.$this->funnel->address)->assertSee('You can unsubscribe from any email');

        $section = $shared['section'];
        $section['blocks'][0]['html'] = 'Ferncroft Yard, where the cellos are <script>alert(1)</script>';
        $this->putJson("/studio/api/parts/{$shared['id']}", ['revision' => 1, 'section' => $section])->assertOk()
            ->assertJsonPath('revision', 2);
        $this->putJson("/studio/api/parts/{$shared['id']}", ['revision' => 1, 'section' => $section])->assertStatus(409);
        $this->getJson("/studio/api/funnels/{$this->funnel->id}")->assertJsonPath('changed', true);
        $this->get('/'.$this->funnel->address)->assertDontSee('where the cellos are');
        $changes = $this->getJson("/studio/api/funnels/{$this->funnel->id}/changes")->assertOk()->json('changes');
        self::assertSame(['Opt-in page', 'Thank-you page', 'Forms, emails and files'], array_column($changes, 'about'),
            'what is shared has changed on both');

        app(Publishing::class)->publish($this->funnel->refresh(), null);
        foreach (['', '/thank-you'] as $path) {
            $this->get('/'.$this->funnel->address.$path)->assertSee('where the cellos are')->assertDontSee('<script>alert', false);
        }
        $this->deleteJson("/studio/api/parts/{$shared['id']}")->assertStatus(422)
            ->assertJsonPath('message', '“Footer” is used by “Opt-in page”, “Thank-you page”. Remove it there first.');
    }

    public function test_a_shared_section_that_nobody_shows_is_removed(): void
    {
        $shared = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts",
            ['kind' => 'shared-section'] + ['name' => ' Header ', 'section' => $this->document()['sections'][1]])->assertCreated()
            ->assertJsonPath('name', 'Header')->json('id');
        $this->putJson("/studio/api/parts/{$shared}", ['revision' => 1, 'name' => ''])->assertStatus(422);
        $this->deleteJson("/studio/api/parts/{$shared}")->assertOk();
        self::assertSame(0, SharedSection::query()->whereNull('removed')->count());
        $this->postJson("/studio/api/parts/{$shared}/restore")->assertOk()->assertJsonPath('name', 'Header');
        $this->postJson("/studio/api/parts/{$shared}/restore")->assertStatus(422);
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts",
            ['kind' => 'shared-section'] + ['name' => '', 'section' => $this->document()['sections'][1]])->assertStatus(422);
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts", ['kind' => 'shared-section'] + ['name' => 'x', 'section' => 'x'])
            ->assertStatus(422);
    }

    public function test_a_shared_section_is_drawn_from_the_screen_too(): void
    {
        $shared = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts",
            ['kind' => 'shared-section'] + ['name' => 'Footer', 'section' => $this->document()['sections'][1]])->json();
        $document = $this->document();
        $document['sections'][1] = ['id' => 'foot', 'kind' => 'footer', 'shared' => $shared['id'], 'blocks' => []];
        $section = $shared['section'];
        $section['blocks'][0]['html'] = 'Not saved yet';

        $html = $this->ask('draw', ['document' => $document, 'sections' => ['foot'],
            'shared' => [$shared['id'] => $section, 'unknown' => 'x']])->assertOk()->json('sections')['foot'];
        self::assertStringContainsString('Not saved yet', $html);
        self::assertStringContainsString("data-shared=\"{$shared['id']}\"", $html);
    }

    public function test_a_form_is_drawn_from_the_screen_too_and_a_broken_one_as_it_is_stored(): void
    {
        $document = $this->document();
        $id = $document['sections'][0]['id'];
        $form = ['id' => Form::query()->where('funnel_id', $this->funnel->id)->value('id'), 'name' => 'Form']
            + (array) Form::query()->where('funnel_id', $this->funnel->id)->firstOrFail()->definition;
        $draw = fn (array $form): string => (string) $this->ask('draw', ['document' => $document, 'sections' => [$id], 'forms' => [$form]])
            ->assertOk()->json('sections')[$id];

        self::assertStringContainsString('Not &lt;saved&gt; yet', $draw(['button' => 'Not <saved> yet'] + $form));
        self::assertStringContainsString('Send it to me', $draw(['button' => ''] + $form));
        self::assertStringContainsString('Send it to me', $draw(['id' => 'another', 'button' => 'Else'] + $form));
        self::assertSame('Send it to me', Form::query()->where('funnel_id', $this->funnel->id)->firstOrFail()->definition['button']);
    }

    public function test_a_duplicated_funnel_has_a_shared_section_of_its_own(): void
    {
        $shared = $this->postJson("/studio/api/funnels/{$this->funnel->id}/parts",
            ['kind' => 'shared-section'] + ['name' => 'Footer', 'section' => $this->document()['sections'][1]])->json('id');
        $document = $this->document();
        $document['sections'][1] = ['id' => 'foot', 'kind' => 'footer', 'shared' => $shared, 'blocks' => []];
        $this->putJson("/studio/api/parts/{$this->page->id}", ['revision' => 1, 'document' => $document])->assertOk();

        $copy = $this->postJson("/studio/api/funnels/{$this->funnel->id}/duplicate")->assertCreated()->json('id');
        $its = SharedSection::query()->where('funnel_id', $copy)->sole();
        self::assertNotSame($shared, $its->id);
        self::assertSame('Footer', $its->name);
        $entry = Page::query()->where('funnel_id', $copy)->where('position', 0)->firstOrFail();
        self::assertSame($its->id, $entry->document['sections'][1]['shared']);
        self::assertSame([], $entry->document['sections'][1]['blocks']);
    }

    public function test_a_section_and_a_page_are_kept_as_designs_and_used_in_another_funnel(): void
    {
        $section = $this->document()['sections'][0];
        $own = $this->postJson('/studio/api/designs', ['kind' => 'section', 'name' => 'My opening', 'section' => $section])->assertCreated()
            ->assertJsonPath('role', 'opening')->json('id');
        $page = $this->postJson('/studio/api/designs',
            ['kind' => 'page', 'name' => 'My page', 'role' => 'opt-in', 'document' => $this->document()])->assertCreated()->json('id');
        $this->getJson('/studio/api/designs')->assertOk()->assertJsonCount(2, 'designs');

        $other = $this->draft($this->owner, 'Another');
        $entry = $this->entry($other);
        $made = $this->postJson("/studio/api/pages/{$entry->id}/sections", ['own' => $own])->assertCreated()->json('section');
        self::assertSame($section['blocks'][0]['text'], $made['blocks'][0]['text']);
        self::assertSame(Form::query()->where('funnel_id', $other->id)->value('id'), $made['blocks'][2]['form']);
        $this->get("/studio/preview/funnels/{$other->id}/designs/own")->assertOk()->assertSee("data-section=\"{$own}_", false);
        $new = $this->postJson("/studio/api/funnels/{$other->id}/pages", ['role' => 'opt-in', 'design' => $page])->assertCreated()
            ->json('page');
        self::assertSame('The Twelve-Minute Practice Plan', $new['headline']);
        $this->postJson("/studio/api/pages/{$new['id']}/check")->assertOk()->assertJsonPath('findings', []);

        $this->deleteJson("/studio/api/designs/{$own}")->assertOk();
        $this->getJson('/studio/api/designs')->assertJsonCount(1, 'designs');
        $this->postJson("/studio/api/pages/{$entry->id}/sections", ['own' => $own])->assertNotFound();
        $this->postJson("/studio/api/designs/{$own}/restore")->assertOk();
        $this->getJson('/studio/api/designs')->assertJsonCount(2, 'designs');
        self::assertSame(2, OwnDesign::query()->count());
    }

    public function test_nobody_uses_the_designs_of_somebody_else(): void
    {
        $own = $this->postJson('/studio/api/designs',
            ['kind' => 'section', 'name' => 'Mine', 'section' => $this->document()['sections'][0]])->json('id');
        $stranger = $this->owner('stranger@example.com');
        $theirs = $this->entry($this->draft($stranger, 'Theirs'));
        $this->actingAs($stranger);

        $this->getJson('/studio/api/designs')->assertOk()->assertJsonPath('designs', []);
        $this->postJson("/studio/api/pages/{$theirs->id}/sections", ['own' => $own])->assertNotFound();
        $this->deleteJson("/studio/api/designs/{$own}")->assertNotFound();
        foreach (['draw', 'check', 'fix', 'sections', 'redesign', 'restyle', 'blocks', 'duplicate', 'restore'] as $what) {
            $this->ask($what, ['document' => $this->document()])->assertNotFound();
        }
        $this->deleteJson("/studio/api/parts/{$this->page->id}")->assertNotFound();
        $this->getJson("/studio/api/pages/{$this->page->id}/html")->assertNotFound();
        foreach (['pages', 'shared-sections', 'preview-link'] as $what) {
            $this->postJson("/studio/api/funnels/{$this->funnel->id}/{$what}", ['role' => 'free'])->assertNotFound();
        }
        foreach (['export', 'html', 'changes'] as $what) {
            $this->getJson("/studio/api/funnels/{$this->funnel->id}/{$what}")->assertNotFound();
        }
        $this->putJson("/studio/api/funnels/{$this->funnel->id}/order", ['pages' => []])->assertNotFound();
        $this->get("/studio/preview/funnels/{$this->funnel->id}/designs/words")->assertNotFound();
    }

    public function test_a_funnels_look_words_and_logo_are_kept_and_refused(): void
    {
        $picture = $this->picture();
        $put = fn (array $values) => $this->putJson("/studio/api/funnels/{$this->funnel->id}", $values);

        $put(['look' => 'linen', 'changes' => ['accent' => '#ABCDEF', 'corner' => 12], 'logo' => $picture->id, 'icon' => $picture->id,
            'fields' => ['programme' => 'First Season'], 'parameters' => ['city']])->assertOk()
            ->assertJson(['look' => 'linen', 'changes' => ['accent' => '#abcdef', 'corner' => 12], 'logo' => $picture->id,
                'fields' => ['programme' => 'First Season'], 'parameters' => ['city']]);
        $put(['logo' => null])->assertOk()->assertJsonPath('logo', null);
        foreach ([
            ['look' => 'none'], ['changes' => ['accent' => 'red']], ['changes' => ['headingFont' => 'Comic']],
            ['logo' => '01aaaaaaaaaaaaaaaaaaaaaaaa'],
            ['fields' => ['First Name' => 'x']], ['fields' => ['email' => 'x']], ['parameters' => ['first_name']],
            ['parameters' => ['a b']],
        ] as $wrong) {
            $put($wrong)->assertStatus(422);
        }
        self::assertSame(['accent' => '#abcdef', 'corner' => 12], $this->funnel->refresh()->look_changes);
    }
}
