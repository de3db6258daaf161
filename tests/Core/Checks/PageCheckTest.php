<?php

declare(strict_types=1);

namespace Tests\Core\Checks;

use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Checks\PageCheck;
use Lantern\Core\Checks\PageFix;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Tones;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Invalid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** What is found on a page, and what of it is fixed with one press. */
final class PageCheckTest extends TestCase
{
    /**
     * A page of the role with these sections, in a plan with a form, a gift and two other pages.
     *
     * @param  list<array<string, mixed>>  $sections
     * @param  array<string, mixed>  $document  what else the document says
     */
    private static function plan(string $role, array $sections, array $document = [], int $fields = 2): Plan
    {
        return Plans::changed(function (array $plan) use ($role, $sections, $document, $fields): array {
            $plan['pages'][0] = ['id' => 'page', 'role' => $role, 'name' => 'Mine', 'address' => '',
                'document' => ['format' => 2, 'sections' => $sections] + $document];
            $plan['pages'][1]['id'] = 'other';
            $plan['ways'] = $role === 'free' ? [] : [['page' => 'page', 'outcome' => 'joined', 'toPage' => 'other']];
            $plan['forms'][0]['id'] = 'form';
            $kinds = ['email', 'first_name', 'last_name', 'phone'];
            $plan['forms'][0]['fields'] = array_map(fn (string $k): array => ['kind' => $k, 'label' => $k, 'required' => true],
                array_slice($kinds, 0, $fields));

            return $plan;
        });
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function section(array $blocks, array $more = []): array
    {
        foreach ($blocks as $i => $block) {
            $blocks[$i] = $block + ['id' => "b{$i}"];
        }

        return $more + ['id' => 's', 'kind' => 'words', 'blocks' => $blocks];
    }

    /** @return array<string, mixed> */
    private static function heading(string $words = 'A headline'): array
    {
        return ['kind' => 'heading', 'text' => $words];
    }

    /**
     * @return iterable<string, array{Plan, list<string>}> what is on the page, and the codes found: `!` blocks, `@` names the place, `+`
     *     is fixed with one press
     */
    public static function findings(): iterable
    {
        $free = fn (array ...$blocks): Plan => self::plan('free', [self::section([self::heading(), ...$blocks])]);
        $optIn = fn (array ...$blocks): Plan => self::plan('opt-in',
            [self::section([self::heading(), ['kind' => 'form', 'form' => 'form'], ...$blocks])]);

        yield 'nothing' => [$free(), []];
        yield 'an opt-in page with its form' => [$optIn(), []];
        yield 'no headline' => [self::plan('free', [self::section([['kind' => 'text', 'html' => 'words']])]), ['no-headline!']];
        yield 'a headline for a newspaper' => [self::plan('free', [self::section([self::heading(str_repeat('word ', 20).'.')])]),
            ['long-for-phone@b0']];
        yield 'a headline that just fits' => [self::plan('free', [self::section([self::heading(str_repeat('x', 90))])]), []];
        yield 'an empty heading' => [$free(self::heading('')), ['empty-heading@b1+']];
        yield 'an opt-in page without a form' => [self::plan('opt-in', [self::section([self::heading()])]), ['no-form!']];
        yield 'a registration page without a form' => [self::plan('registration', [self::section([self::heading()])]), ['no-form!']];

        yield 'a form that is gone' => [$free(['kind' => 'form', 'form' => 'gone']), ['form-gone!@b1']];
        yield 'a form that asks for four things' => [self::plan('opt-in',
            [self::section([self::heading(), ['kind' => 'form', 'form' => 'form']])], fields: 4), ['many-fields@b1']];
        yield 'a form that asks for three' => [self::plan('opt-in',
            [self::section([self::heading(), ['kind' => 'form', 'form' => 'form']])], fields: 3), []];
        yield 'a download tied to nothing' => [$free(['kind' => 'download', 'leadMagnet' => 'gone', 'text' => 'x']), ['download-gone!@b1']];

        yield 'a link away from an opt-in page' => [$optIn(['kind' => 'text', 'html' => '<a href="https://else.example">x</a>']),
            ['many-goals@b2']];
        yield 'a button away from it can be removed' => [$optIn(['kind' => 'button', 'text' => 'Shop', 'url' => 'https://else.example']),
            ['many-goals@b2+']];
        yield 'a menu on it' => [$optIn(['kind' => 'menu', 'items' => [['title' => 'Home', 'url' => 'page:other']]]), ['many-goals@b2+']];
        yield 'a link within it' => [$optIn(['kind' => 'button', 'text' => 'Down', 'url' => 'section:s']), []];
        yield 'a link in its footer' => [
            self::plan('opt-in', [
                self::section([self::heading(), ['kind' => 'form', 'form' => 'form']]),
                ['id' => 'foot', 'kind' => 'footer',
                    'blocks' => [['id' => 'f', 'kind' => 'text', 'html' => '<a href="https://else.example/privacy">Privacy</a>']]],
            ]), [],
        ];
        yield 'links on a page of one’s own' => [$free(['kind' => 'text', 'html' => '<a href="https://else.example">x</a>']), []];

        yield 'a button that leads nowhere' => [$free(['kind' => 'button', 'text' => 'Go', 'url' => '']), ['empty-link!@b1+']];
        yield 'a price whose button leads nowhere' => [$free(['kind' => 'price', 'name' => 'x', 'was' => '', 'price' => '290', 'note' => '',
            'html' => '', 'text' => 'Yes', 'url' => '']), ['empty-link!@b1']];
        yield 'a menu entry that leads nowhere' => [$free(['kind' => 'menu', 'items' => [['title' => 'Home', 'url' => '']]]),
            ['empty-link!@b1']];
        yield 'a link to a page that is gone' => [$free(['kind' => 'button', 'text' => 'Go', 'url' => 'page:gone']), ['dead-link!@b1']];
        yield 'a link to a section that is gone' => [$free(['kind' => 'button', 'text' => 'Go', 'url' => 'section:gone']),
            ['dead-link!@b1']];
        yield 'a link in words to a page that is gone' => [$free(['kind' => 'text', 'html' => '<a href="page:gone">x</a>']),
            ['dead-link!@b1']];
        yield 'a link to a page that is there' => [$free(['kind' => 'button', 'text' => 'Go', 'url' => 'page:other']), []];
        yield 'an outcome the page does not have' => [$free(['kind' => 'button', 'text' => 'Go', 'url' => 'outcome:bought']),
            ['dead-link!@b1']];
        yield 'an outcome nobody knows' => [$free(['kind' => 'button', 'text' => 'Go', 'url' => 'outcome:slept']), ['dead-link!@b1']];

        yield 'a prompt' => [$free(['kind' => 'text', 'html' => 'Hello [your name here]']), ['placeholder!@b1']];
        yield 'a prompt in an entry' => [$free(['kind' => 'questions', 'items' => [['title' => 'How?', 'html' => '[Your honest answer]']]]),
            ['placeholder!@b1']];
        yield 'filler' => [$free(['kind' => 'text', 'html' => 'LOREM IPSUM dolor']), ['placeholder!@b1']];
        yield 'brackets people use' => [$free(['kind' => 'text', 'html' => 'so [sic] they say [1] and [2]']), []];

        yield 'a picture without a description' => [$free(['kind' => 'picture', 'picture' => 'light', 'alt' => ' ']),
            ['no-description@b1']];
        yield 'a picture with one' => [$free(['kind' => 'picture', 'picture' => 'light', 'alt' => 'A cello']), []];
        yield 'a gallery with one missing' => [$free(['kind' => 'gallery',
            'items' => [['picture' => 'light', 'alt' => 'A cello', 'text' => ''], ['picture' => 'dark', 'alt' => '', 'text' => '']]]),
            ['no-description@b1']];
        yield 'a place for a picture' => [$free(['kind' => 'picture', 'alt' => '']), ['empty-picture@b1+']];
        yield 'a gallery of nothing' => [$free(['kind' => 'gallery', 'items' => [['alt' => '', 'text' => '']]]), ['empty-picture@b1+']];
        yield 'a heavy picture' => [$free(['kind' => 'picture', 'picture' => 'heavy', 'alt' => 'A cello']), ['heavy-picture@b1']];

        yield 'a video that is not there yet' => [$free(['kind' => 'video', 'text' => '']), ['no-video@b1+']];
        yield 'a video page without its video' => [self::plan('lesson',
            [self::section([self::heading(), ['kind' => 'video', 'text' => '']])]), ['no-video!@b1']];
        yield 'a video from the list' => [$free(['kind' => 'video', 'url' => 'https://video.example/1', 'text' => 'x']), []];
        yield 'a video from elsewhere' => [$free(['kind' => 'video', 'url' => 'https://else.example/1', 'text' => 'x']),
            ['embed-refused@b1']];
        yield 'a countdown to nothing' => [$free(['kind' => 'countdown', 'text' => 'Until', 'until' => '']), ['no-moment!@b1+']];
        yield 'a countdown to a moment' => [$free(['kind' => 'countdown', 'text' => 'Until', 'until' => '2027-03-12T18:00']), []];

        yield 'a button too long for a phone' => [$free(['kind' => 'button', 'text' => 'Yes, I would very much like to have it',
            'url' => 'page:other']), ['long-for-phone@b1']];
        yield 'a wall of words' => [$free(['kind' => 'text', 'html' => '<p>'.str_repeat('word ', 150).'</p>']), ['long-for-phone@b1']];
        yield 'as many words in paragraphs' => [$free(['kind' => 'text', 'html' => str_repeat('<p>'.str_repeat('word ', 50).'</p>', 3)]),
            []];
        yield 'titles before the headline' => [
            self::plan('free', [self::section([['kind' => 'questions', 'items' => [['title' => 'How?', 'html' => 'So.']]],
                self::heading()])]), ['heading-order@b0'],
        ];

        $ink = fn (array $background): Plan => self::plan('free',
            [self::section([self::heading(), ['kind' => 'text', 'html' => 'words']], ['background' => $background])]);
        yield 'words that vanish' => [$ink(['fill' => 'colour', 'colour' => '#ffffff', 'ink' => '#f0f0f0']),
            ['contrast@b0+', 'contrast@b1+']];
        yield 'words that a heading could do with' => [$ink(['fill' => 'colour', 'colour' => '#ffffff', 'ink' => '#888888']),
            ['contrast@b1+']];
        yield 'words that can be read' => [$ink(['fill' => 'colour', 'colour' => '#ffffff', 'ink' => '#333333']), []];
        yield 'a veil too thin' => [$ink(['fill' => 'picture', 'picture' => 'mixed', 'veil' => 0]), ['contrast@b0+', 'contrast@b1+']];
        yield 'a veil that is worked out' => [$ink(['fill' => 'picture', 'picture' => 'mixed']), []];
        yield 'words that vanish on the page itself' => [
            self::plan('free', [self::section([self::heading()])],
                ['background' => ['fill' => 'colour', 'colour' => '#ffffff', 'ink' => '#eeeeee']]), ['contrast@b0+'],
        ];
        yield 'a page’s picture: the words stand on a sheet' => [self::plan('free', [self::section([self::heading()])],
            ['background' => ['fill' => 'picture', 'picture' => 'mixed']]), []];
        yield 'a section in a look of its own' => [self::plan('free', [self::section([self::heading()], ['look' => 'graphite'])]), []];
    }

    private static function facts(): PageFacts
    {
        return new PageFacts(['dark' => new Tones(0.0, 0.1), 'light' => new Tones(0.8, 1.0), 'mixed' => new Tones(0.0, 1.0)],
            ['heavy' => 400_000, 'light' => 40_000], ['video.example']);
    }

    private static function page(Plan $plan): PagePlan
    {
        return $plan->page('page') ?? self::fail('The page is gone.');
    }

    /** @param  list<string>  $codes */
    #[DataProvider('findings')]
    public function test_what_is_found(Plan $plan, array $codes): void
    {
        $found = PageCheck::of($plan, self::page($plan), self::facts());

        self::assertSame($codes, array_map(fn (Finding $f): string => $f->code.($f->blocks ? '!' : '')
            .($f->place === '' ? '' : "@{$f->place}").($f->fixLabel === '' ? '' : '+'), $found));
        foreach ($found as $finding) {
            self::assertMatchesRegularExpression('/[.”]$/u', $finding->message, 'a whole sentence');
            self::assertNotSame('', $finding->openLabel);
        }
    }

    /** @param  list<string>  $codes */
    #[DataProvider('findings')]
    public function test_what_has_a_fix_is_gone_after_it(Plan $plan, array $codes): void
    {
        $page = self::page($plan);
        $fixed = 0;
        foreach (PageCheck::of($plan, $page, self::facts()) as $finding) {
            if ($finding->fixLabel === '') {
                continue;
            }
            $document = PageFix::apply($page->document, $finding->code, $finding->place);
            $after = new PagePlan($page->id, $page->role, $page->name, $page->address, $document, $page->settings);
            $still = array_filter(PageCheck::of($plan->withPart($after), $after, self::facts()),
                fn (Finding $f): bool => $f->code === $finding->code && $f->place === $finding->place);
            self::assertSame([], $still, $finding->message);
            self::assertEquals($document, Document::fromArray($document->toArray()), 'and what it leaves is a document');
            $fixed++;
        }
        self::assertSame(count(array_filter($codes, fn (string $c): bool => str_ends_with($c, '+'))), $fixed);
    }

    public function test_what_only_the_owner_can_fix_has_no_fix(): void
    {
        $this->expectException(Invalid::class);
        PageFix::apply(self::page(self::plan('free', []))->document, 'placeholder', 'b1');
    }

    public function test_it_is_part_of_the_go_live_check(): void
    {
        $plan = self::plan('free', [self::section([self::heading(), ['kind' => 'button', 'text' => 'Go', 'url' => '']])]);

        self::assertContains('empty-link', array_map(fn (Finding $f): string => $f->code, GoLiveCheck::of($plan, self::facts())));
        self::assertTrue(GoLiveCheck::blocked(GoLiveCheck::of($plan, self::facts())));
    }

    public function test_blockers_come_first(): void
    {
        $plan = self::plan('free',
            [self::section([self::heading(str_repeat('long ', 30)), ['kind' => 'button', 'text' => 'Go', 'url' => '']])]);
        $found = PageCheck::of($plan, self::page($plan), self::facts());

        self::assertSame([true, false], array_map(fn (Finding $f): bool => $f->blocks, $found));
    }

    public function test_a_page_of_sixty_sections_is_checked(): void
    {
        $sections = [];
        for ($i = 0; $i < 60; $i++) {
            $sections[] = ['id' => "s{$i}", 'kind' => 'words', 'blocks' => [
                ['id' => "h{$i}", 'kind' => 'heading', 'text' => "Heading {$i}"],
                ['id' => "b{$i}", 'kind' => 'button', 'text' => 'Go', 'url' => $i % 2 === 0 ? '' : 'page:other'],
            ]];
        }
        $plan = self::plan('free', $sections);

        self::assertCount(30, PageCheck::of($plan, self::page($plan), self::facts()));
    }

    public function test_every_starter_needs_nothing_but_what_only_its_owner_has(): void
    {
        foreach (Plans::all() as $goal => $plan) {
            $blockers = array_values(array_unique(array_map(fn (Finding $f): string => $f->code,
                array_filter(GoLiveCheck::of($plan), fn (Finding $f): bool => $f->blocks))));
            $expected = match (Goal::from($goal)) {
                Goal::VideoSeries => ['no-video', 'no-price'],
                Goal::Webinar, Goal::Sell, Goal::Launch => ['no-price'],
                Goal::Own => ['no-pages'],
                default => [],
            };
            self::assertSame($expected, $blockers, $goal);
        }
    }
}
