<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Drafts\DraftPlan;
use App\Files\Uploads;
use App\Languages\Voices;
use App\Models\Funnel;
use App\Rendering\PageRenderer;
use App\Rendering\Slots;
use DOMDocument;
use DOMXPath;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Block\Field;
use Lantern\Core\Page\Block\FieldType;
use Lantern\Core\Page\Design\DesignWords;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Page\SectionKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Form;
use Tests\Drafts\LeadMagnet;
use Tests\TestCase;

/** Pages as HTML: whole, in every look and arrangement, with every block, and safe whatever the words are. */
final class RenderingTest extends TestCase
{
    /** @param  array<string, mixed>  $change */
    private function render(Funnel $funnel, array $change = [], bool $editing = false): DOMXPath
    {
        $page = $this->entry($funnel);
        $document = array_replace_recursive($page->document, $change);
        $page->forceFill(['document' => $document])->save();
        $fresh = Funnel::query()->findOrFail($funnel->id);
        $plan = DraftPlan::read($fresh);
        $shown = $plan->page($page->id) ?? self::fail('The page is gone.');
        $renderer = app(PageRenderer::class);
        $html = $editing ? $renderer->forDesk($plan, $shown, $fresh->business) : Slots::replace(
            $renderer->forVisitors($plan, $shown, $fresh->business),
            // Countdowns as everybody sees them; the other slots stay.
            fn (string $kind, string $of): string => $kind === 'countdown' ? PageRenderer::countdowns($plan, $shown,
                Voices::of($plan->languageOf($shown)), null)["countdown:{$of}"]
                : Slots::name($kind, $of));
        $dom = new DOMDocument;
        self::assertTrue($dom->loadHTML('<?xml encoding="UTF-8">'.$html, LIBXML_NOERROR));

        return new DOMXPath($dom);
    }

    /** @return iterable<string, array{string, string}> */
    public static function looksAndArrangements(): iterable
    {
        foreach (array_keys(Looks::all()) as $look) {
            foreach (['centred', 'left', 'split-right', 'split-left', 'form-right', 'form-left', 'aside', 'wide',
                'boxed'] as $arrangement) {
                yield "{$look}, {$arrangement}" => [$look, $arrangement];
            }
        }
    }

    #[DataProvider('looksAndArrangements')]
    public function test_a_page_is_whole_in_every_look_and_arrangement(string $look, string $arrangement): void
    {
        $funnel = $this->draft();
        $funnel->forceFill(['look' => $look])->save();
        $page = $this->render($funnel, ['sections' => [0 => ['arrangement' => $arrangement]]]);

        self::assertSame(1, $page->query('//h1')->length, 'one main heading');
        self::assertSame(1, $page->query("//section[contains(@class,' {$arrangement}')]")->length);
        self::assertSame(1, $page->query('//form//button')->length);
        foreach ($page->query('//form//input[not(@type="hidden")]') as $input) {
            self::assertSame(1, $page->query('//label[@for="'.$input->getAttribute('id').'"]')->length, 'each field has its label');
        }
        self::assertSame('en', $page->query('/html')->item(0)->getAttribute('lang'));
        self::assertStringContainsString(Looks::get($look)->headingFont, $page->query('//body')->item(0)->getAttribute('style'));
    }

    public function test_every_kind_of_block_is_drawn(): void
    {
        $owner = $this->owner();
        $funnel = $this->draft($owner);
        $image = imagecreatetruecolor(600, 300);
        ob_start();
        imagepng($image);
        $picture = app(Uploads::class)->picture($owner->business, $this->file('a.png', (string) ob_get_clean()));
        $form = Form::query()->where('funnel_id', $funnel->id)->firstOrFail()->id;
        $leadMagnet = LeadMagnet::query()->where('funnel_id', $funnel->id)->firstOrFail()->id;
        $video = app(Uploads::class)->video($owner->business, $this->file('a.webm', self::webm()));
        $blocks = [];
        foreach (BlockKind::cases() as $kind) {
            $block = DesignWords::block($kind, SectionKind::Words, ['form' => $form, 'lead-magnet' => $leadMagnet])
                ->withId("b-{$kind->value}");
            $blocks[$kind->value] = $block->with(match ($kind) {
                BlockKind::Picture => ['picture' => $picture->id, 'alt' => 'A cello'],
                BlockKind::Video => ['video' => $video->id],
                BlockKind::Countdown => ['until' => '2027-03-12T18:00'],
                default => [],
            })->toArray();
        }
        $fields = $blocks;
        $halves = array_chunk(array_values($blocks), 20);
        $page = $this->render($funnel, ['sections' => [0 => ['arrangement' => 'wide', 'blocks' => $halves[0]],
            1 => ['id' => 'more', 'kind' => 'words', 'arrangement' => 'wide', 'blocks' => $halves[1]]],
            'background' => ['fill' => 'picture', 'picture' => $picture->id]], editing: true);

        foreach (array_keys($fields) as $kind) {
            self::assertGreaterThan(0, $page->query("//*[@data-block='b-{$kind}']")->length, "{$kind} can be chosen on the desk");
        }
        $img = $page->query('//figure[@data-block="b-picture"]//img')->item(0);
        self::assertSame(['600', '300', 'A cello'], [$img->getAttribute('width'), $img->getAttribute('height'), $img->getAttribute('alt')]);
        self::assertStringContainsString('480w',
            $page->query('//figure[@data-block="b-picture"]//source[@type="image/webp"]')->item(0)->getAttribute('srcset'));
        self::assertStringEndsWith('.jpg', $img->getAttribute('src'), 'and a form every browser knows');
        self::assertSame(1, $page->query('//div[@class="backdrop"]/img[@alt=""]')->length);
        self::assertSame(0, $page->query('//script')->length, 'no script on the desk');
        self::assertSame(1, $page->query('//video/source[@type="video/webm"]')->length);
    }

    public function test_a_block_shows_all_its_words_in_each_of_its_styles(): void
    {
        $owner = $this->owner();
        $funnel = $this->draft($owner);
        $image = imagecreatetruecolor(600, 300);
        ob_start();
        imagepng($image);
        $picture = app(Uploads::class)->picture($owner->business, $this->file('a.png', (string) ob_get_clean()))->id;
        $form = Form::query()->where('funnel_id', $funnel->id)->firstOrFail()->id;
        $leadMagnet = LeadMagnet::query()->where('funnel_id', $funnel->id)->firstOrFail()->id;
        $words = [];
        $filled = function (string $name, Field $field) use (&$words, $picture, $form, $leadMagnet): string {
            $said = "words{$name}".count($words);
            $words[] = $field->type->isRead() ? $said : null;

            return match ($field->type) {
                FieldType::Words, FieldType::Description => $said,
                FieldType::RichText => "<p>{$said}</p>",
                FieldType::Link => 'https://example.com/there',
                FieldType::Picture => $picture,
                FieldType::Reference => ['form' => $form, 'deadline' => ''][$field->to] ?? $leadMagnet,
                FieldType::Choice => $field->options[count($field->options) - 1],
                FieldType::Colour => '#1e6b5e',
                FieldType::Moment => '2027-03-12T18:00',
                FieldType::Video => '',
            };
        };
        $all = fn (array $fields): array => array_combine(array_keys($fields), array_map($filled, array_keys($fields), $fields));
        $document = $this->entry($funnel)->document;
        foreach (BlockKind::cases() as $kind) {
            $definition = Blocks::of($kind);
            foreach ($definition->styles ?: [''] as $style) {
                $words = [];
                $this->entry($funnel)->forceFill(['document' => $document])->save();
                $block = ['id' => 'b-one', 'kind' => $kind->value] + ($style === '' ? [] : ['style' => $style]) + $all($definition->fields)
                    + ($definition->items === null ? [] : ['items' => [$all($definition->items), $all($definition->items)]]);
                $page = $this->render($funnel,
                    ['sections' => [count($document['sections']) => ['id' => 's-one', 'kind' => 'words', 'blocks' => [$block]]]]);

                $section = $page->query('//section[last()]')->item(0);
                // A logo and a cover say their words only where there is no picture; those of a download, of what is
                // bought and of a webinar are filled in for each visitor.
                foreach (in_array($kind, [BlockKind::Logo, BlockKind::Cover, BlockKind::Download, BlockKind::Checkout,
                    BlockKind::Purchases, BlockKind::Sessions, BlockKind::Session, BlockKind::Room, BlockKind::Replay], true) ? []
                    : array_filter($words) as $said) {
                    // What is sent along with a shared page stands beside it, for the script and the email.
                    $where = $kind === BlockKind::Share ? (string) $section->ownerDocument?->saveHTML($section) : $section->textContent;
                    self::assertStringContainsString($said, $where, "{$kind->value}: “{$said}” is printed");
                }
                if ($style !== '') {
                    self::assertSame(1, $page->query(".//*[contains(concat(' ', @class, ' '), ' {$style} ')]", $section)->length,
                        "{$kind->value} is drawn in {$style}");
                }
                $css = (string) file_get_contents(resource_path('site/base.css'))
                    .($definition->css === '' ? '' : file_get_contents(resource_path("site/{$definition->css}.css")));
                $classes = array_filter(explode(' ',
                    (string) $page->query('.//*[@class]', $section->getElementsByTagName('div')->item(0))->item(0)
                        ?->getAttribute('class')));
                self::assertNotSame([], array_filter($classes, fn (string $c): bool => str_contains($css, ".{$c}")),
                    "{$kind->value}: its styles come along: ".implode(' ', $classes));
            }
        }
    }

    public function test_what_refers_to_nothing_draws_nothing(): void
    {
        $page = $this->render($this->draft(), ['sections' => [0 => ['blocks' => [
            2 => ['form' => 'gone'], 3 => ['kind' => 'picture', 'picture' => 'gone', 'alt' => ''],
        ]]]]);

        self::assertSame(0, $page->query('//form')->length);
        self::assertSame(0, $page->query('//main//img')->length);
    }

    public function test_hostile_text_in_every_place_stay_text(): void
    {
        $owner = $this->owner();
        $owner->business->forceFill(['name' => '"><script>alert(1)</script>'])->save();
        $funnel = $this->draft($owner, '</title><script>alert(1)</script>" onload="x');
        $form = Form::query()->where('funnel_id', $funnel->id)->firstOrFail();
        $form->forceFill(['definition' => ['button' => '</button><script>alert(1)</script>', 'consent' => '<img src=x onerror=alert(1)>']
            + $form->definition])->save();
        $page = $this->render($funnel);

        self::assertSame(0, $page->query('//script')->length);
        self::assertSame(0, $page->query('//*[@onload or @onerror]')->length);
        self::assertSame('</button><script>alert(1)</script>', trim($page->query('//form//button')->item(0)->textContent));
    }

    public function test_the_public_page_is_packed_private_and_framed_by_nobody_else(): void
    {
        $funnel = $this->live();
        $plain = (string) $this->get('/'.$funnel->address)->getContent();
        $packed = $this->get('/'.$funnel->address, ['Accept-Encoding' => 'gzip, br'])->assertOk()->assertHeader('content-encoding', 'gzip')
            ->assertHeader('cache-control', 'no-cache, private')
            ->assertHeader('x-frame-options', 'SAMEORIGIN')->assertHeader('x-content-type-options', 'nosniff');
        $unpacked = (string) gzdecode((string) $packed->getContent());

        self::assertSame(preg_replace('/value="[^"]+\.[^"]+"/', '', $plain), preg_replace('/value="[^"]+\.[^"]+"/', '', $unpacked));
        self::assertStringContainsString("object-src 'none'", (string) $packed->headers->get('content-security-policy'));
        self::assertSame([], array_diff(array_map(fn ($c): string => $c->getName(), $packed->headers->getCookies()), []),
            'a visitor who only looks gets no cookie from the server');
        self::assertStringNotContainsString('slot:', $plain, 'every slot is filled or gone');
    }

    public function test_no_page_of_ours_asks_another_host(): void
    {
        $this->get('/up')->assertOk()->assertContent("The lantern is lit.\n");
        $funnel = $this->live();
        foreach (['/'.$funnel->address, '/'.$funnel->address.'/thank-you', '/nothing-here', '/f/01aaaaaaaaaaaaaaaaaaaaaaaa/x.pdf',
            '/studio'] as $path) {
            preg_match_all('~(?:src|href|url\()=?["\']?(https?:)?//([^"\')]+)~', (string) $this->get($path)->getContent(), $m);
            self::assertSame([], array_values(array_filter($m[2], fn (string $host): bool => ! str_starts_with($host, 'localhost'))),
                $path);
        }
    }
}
