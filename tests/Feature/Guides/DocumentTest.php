<?php

declare(strict_types=1);

namespace Tests\Feature\Guides;

use App\Drafts\DraftPlan;
use Dompdf\Dompdf;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Guides\GuidePage;
use PHPUnit\Framework\Attributes\DataProvider;

/** A document that is pasted or uploaded becomes pages to work on, and no file that somebody made does harm. */
final class DocumentTest extends GuideTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->imke);
    }

    /** @param  array<string, mixed>  $with */
    private function reading(array $with): TestResponse
    {
        return $this->post("/studio/api/funnels/{$this->funnel->id}/documents", $with, ['Accept' => 'application/json']);
    }

    private static function given(string $name, string $content): UploadedFile
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'test-document');
        file_put_contents($path, $content);

        return new UploadedFile($path, $name, null, null, true);
    }

    private static function printed(string $html): string
    {
        $made = new Dompdf;
        $made->loadHtml($html);
        $made->render();

        return (string) $made->output();
    }

    /** @return iterable<string, array{array<string, string>|array{string, string}, list<string>, list<string>}> */
    public static function documents(): iterable
    {
        $markdown = "\u{FEFF}# The plan\n\nFor *you*.\n\n## Tuning\n\nListen.\n\n- [ ] Tune\n- [x] Sit\n\n## Playing\n\nPlay <b>on</b>.";
        yield 'pasted Markdown' => [['format' => 'markdown', 'text' => $markdown], ['The plan', 'Tuning', 'Playing'],
            ['heading', 'text', 'heading', 'text', 'checklist', 'heading', 'text']];
        yield 'a Markdown file' => [['plan.md', $markdown], ['The plan', 'Tuning', 'Playing'],
            ['heading', 'text', 'heading', 'text', 'checklist', 'heading', 'text']];
        yield 'plain text' => [['plan.txt', "Tune it.\n\nThen play."], ['Tune it.'], ['text']];
        yield 'text of another encoding' => [['plan.txt', mb_convert_encoding('Über Geigen.', 'Windows-1252', 'UTF-8')],
            ['Über Geigen.'], ['text']];
        $html = '<html><head><title>no</title><style>h1{}</style></head><body><h1>Tuning</h1><div>Listen <a href="https://a.example" '
            .'onclick="x">here</a><script>alert(1)</script></div><table><tr><td>A</td><td>B</td></tr></table>'
            .'<h1>Playing</h1><p>On.<img src=x onerror=alert(1)></body>';
        yield 'HTML' => [['plan.html', $html], ['Tuning', 'Playing'], ['heading', 'text', 'heading', 'text']];
        yield 'pasted HTML' => [['format' => 'html', 'text' => $html], ['Tuning', 'Playing'], ['heading', 'text', 'heading', 'text']];
        yield 'HTML that is nested very deep' => [['deep.html', str_repeat('<div>', 3000).'Deep down'], ['Deep down'], ['text']];
        yield 'a PDF' => [['plan.pdf', self::printed('<h1>The plan</h1><h2>Tuning</h2><p>Listen to it.</p><ul><li>Tune</li></ul>'
            .'<h2>Playing</h2><p>Play on, and then on and on, until it is late.</p>')], ['The plan', 'Tuning', 'Playing'],
            ['heading', 'heading', 'text', 'heading', 'text']];
        yield 'capital letters in its name' => [['PLAN.PDF', self::printed('<p>Play.</p>')], ['Play.'], ['text']];
    }

    /**
     * @param  array<string, string>|array{string, string}  $given
     * @param  list<string>  $names
     * @param  list<string>  $blocks
     */
    #[DataProvider('documents')]
    public function test_a_document_becomes_pages(array $given, array $names, array $blocks): void
    {
        $read = $this->reading(isset($given['text']) ? $given : ['document' => self::given($given[0], $given[1])])->assertOk()
            ->json('pages');
        self::assertSame($names, array_column($read, 'name'));
        $sections = array_merge(...array_map(fn (array $p): array => $p['document']['sections'], $read));
        self::assertSame($blocks, array_column(array_merge(...array_column($sections, 'blocks')), 'kind'));
        foreach (['alert', 'onclick', '<img', '<b>', '<div'] as $harm) {
            self::assertStringNotContainsString($harm, (string) json_encode($sections));
        }
        // And they can be made a guide of, as they came.
        $made = $this->postJson("/studio/api/funnels/{$this->funnel->id}/guides", ['title' => 'Of it', 'pages' => $read])
            ->assertCreated()->json('id');
        self::assertSame($names, array_map(fn (GuidePage $p): string => $p->name,
            DraftPlan::read($this->funnel->refresh())->pagesOf($made)));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'nothing' => [[], 'Please paste a text'];
        yield 'words that are a list' => [['text' => ['x']], 'Please paste a text'];
        yield 'only spaces' => [['text' => " \n\n "], 'no words'];
        yield 'a picture' => [['document' => UploadedFile::fake()->image('plan.png')], 'Please choose a Word document'];
        yield 'a Word document that was not read in the browser' => [['document' => self::given('plan.docx', "PK\3\4")],
            'Please choose a Word document'];
        yield 'no PDF' => [['document' => self::given('plan.pdf', 'hello')], 'no PDF'];
        yield 'half a PDF' => [['document' => self::given('plan.pdf', substr(self::printed('<p>x</p>'), 0, 400))], 'PDF'];
        yield 'a PDF of pictures' => [['document' => self::given('plan.pdf', self::printed('<hr>'))], 'no words in this PDF'];
        yield 'HTML of nothing but script' => [['format' => 'html', 'text' => '<script>alert(1)</script>'], 'no words'];
        yield 'far too long' => [['text' => str_repeat('x ', 1_500_001)], 'longer than a guide'];
    }

    /** @param  array<string, mixed>  $given */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_read_is_said_in_a_sentence(array $given, string $sentence): void
    {
        $answer = $this->reading($given)->assertStatus(422)->assertJsonValidationErrorFor('document');
        self::assertStringContainsString($sentence, $answer->json('errors.document.0'));
    }

    public function test_a_locked_pdf_and_damaged_ones_are_said_to_be_so(): void
    {
        $pdf = self::printed('<h1>Plan</h1><p>Play on.</p>');
        $locked = new Dompdf;
        $locked->loadHtml('<p>x</p>');
        $locked->render();
        $canvas = $locked->getCanvas();
        self::assertInstanceOf(\Dompdf\Adapter\CPDF::class, $canvas);
        $canvas->get_cpdf()->setEncryption('secret', 'owner');
        self::assertStringContainsString('locked with a password', (string) $this
            ->reading(['document' => self::given('plan.pdf', (string) $locked->output())])->assertStatus(422)->json('errors.document.0'));
        // Bytes changed here and there: pages, or a sentence, and never anything else.
        mt_srand(4);
        for ($n = 0; $n < 40; $n++) {
            $damaged = $pdf;
            for ($k = mt_rand(1, 25); $k > 0; $k--) {
                $damaged[mt_rand(9, strlen($damaged) - 1)] = chr(mt_rand(0, 255));
            }
            self::assertContains($this->reading(['document' => self::given('plan.pdf', $damaged)])->status(), [200, 422]);
        }
    }

    public function test_a_document_of_five_hundred_pages_becomes_a_guide_that_has_all_of_it(): void
    {
        $book = implode("\n\n", array_map(fn (int $n): string => "# Chapter {$n}\n\n".str_repeat("Word{$n} and so on. ", 60),
            range(1, 500)));
        $read = $this->reading(['text' => $book])->assertOk()->json('pages');
        self::assertCount(60, $read);
        $id = $this->postJson("/studio/api/funnels/{$this->funnel->id}/guides", ['pages' => $read])->assertCreated()->json('id');
        $kept = (string) json_encode(array_map(fn (GuidePage $p): array => $p->document->toArray(),
            DraftPlan::read($this->funnel->refresh())->pagesOf($id)));
        foreach ([1, 250, 500] as $n) {
            self::assertSame(60, substr_count($kept, "Word{$n} and"));
        }
        $this->publish();
    }

    public function test_more_pages_come_after_one_that_is_there(): void
    {
        $read = $this->reading(['text' => "# A\n\nx\n\n# B\n\ny"])->assertOk()->json('pages');
        $first = $this->pages()[0]->id;
        $this->postJson("/studio/api/guides/{$this->guide->id}/pages", ['pages' => $read, 'after' => $first])->assertCreated();
        self::assertSame(['A', 'B'], array_map(fn ($p): string => $p->text('name'), array_slice($this->pages(), 1, 2)));
        $this->postJson("/studio/api/guides/{$this->guide->id}/pages", ['pages' => array_fill(0, 53, $read[0])])->assertStatus(422);
        self::assertCount(8, $this->pages(), 'all of them or none');
        // Or in place of all, of which there may be many.
        $old = array_map(fn ($p): string => $p->id, $this->pages());
        $answer = $this->postJson("/studio/api/guides/{$this->guide->id}/pages",
            ['pages' => array_fill(0, 60, $read[0]), 'instead' => true])
            ->assertCreated()->assertJson(['removed' => $old]);
        self::assertSame(array_column($answer->json('pages'), 'id'), array_map(fn ($p): string => $p->id, $this->pages()));
        $this->postJson("/studio/api/guides/{$this->guide->id}/pages", ['pages' => [['name' => '']], 'instead' => true])->assertStatus(422);
        self::assertCount(60, $this->pages());
    }
}
