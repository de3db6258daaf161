<?php

declare(strict_types=1);

namespace Tests\Core\Popups;

use DateTimeImmutable;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\PopupCheck;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Popups\AddressPattern;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Popups\SiteTargeting;
use Lantern\Core\Popups\Visits;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

final class PopupTest extends TestCase
{
    /** @return iterable<array{string, string, string, bool}> */
    public static function addresses(): iterable
    {
        yield ['exactly', '/about', '/about', true];
        yield ['exactly', '/about', '/about/', true];
        yield ['exactly', '/about/', 'https://blog.example/about?x=1#top', true];
        yield ['exactly', 'https://blog.example/about', '/about', true];
        yield ['exactly', 'about', '/about', true];
        yield ['exactly', '/about', '/about/us', false];
        yield ['exactly', '/about', '/About', false];
        yield ['exactly', '/', 'https://blog.example', true];
        yield ['exactly', '/', '/?page=2', true];
        yield ['exactly', '/?page=2', '/?page=2', true];
        yield ['exactly', '/?page=2', '/', false];
        yield ['begins', '/notes/', '/notes/first', true];
        yield ['begins', '/notes/', '/notes', true];
        yield ['begins', '/notes/', '/notes-on-rosin', false];
        yield ['begins', '/notes', '/notes-on-rosin', true];
        yield ['begins', '/', '/anything', true];
        yield ['contains', 'rosin', '/notes-on-rosin/2', true];
        yield ['contains', 'rosin', '/shop?q=rosin', false];
        yield ['contains', '?q=rosin', '/shop?q=rosin', true];
        yield ['contains', '.*', '/anything', false];
        yield ['contains', '%C3%BC', '/%C3%BCben', true];
        yield ['contains', '/blog/', '/blog/', true];
        yield ['contains', '/blog/', '/blog', true];
        yield ['contains', '/blog/', '/en/blog/first', true];
        yield ['contains', '/blog/', '/weblog/', false];
        yield ['contains', '/blog/', '/blogs', false];
        yield ['contains', '?q=a/', '/?q=a', false];
        yield ['exactly', '/über-mich', '/%C3%BCber-mich', true];
        yield ['exactly', '/über-mich', '/%c3%bcber-mich/', true];
        yield ['exactly', "/u\u{308}ber-mich", '/%C3%BCber-mich', true];
        yield ['begins', '/über', 'https://blog.example/%C3%BCber-mich?x=%C3%BC', true];
        yield ['exactly', '/%7Eimke', '/~imke', true];
        yield ['exactly', '/a/b', '/a%2Fb', false];
        yield ['exactly', '/a%2fb', '/a%2Fb', true];
        yield ['exactly', '/broken', '/%C3broken', false];
        yield ['contains', '日本', '/%E6%97%A5%E6%9C%AC', true];
    }

    #[DataProvider('addresses')]
    public function test_which_addresses_a_pattern_means(string $how, string $text, string $address, bool $fits): void
    {
        self::assertSame($fits, AddressPattern::fromShape(Shape::of(['how' => $how, 'text' => $text]))->fits($address));
    }

    public function test_exceptions_weigh_more_than_what_fits_and_alone_mean_all_the_others(): void
    {
        $places = fn (array ...$patterns): SiteTargeting => SiteTargeting::fromShape(Shape::of(['site' => 's', 'patterns' => $patterns]));
        $notes = ['how' => 'begins', 'text' => '/notes/'];
        $drafts = ['how' => 'contains', 'text' => 'draft', 'except' => true];

        self::assertSame('all pages', $places()->fits('/x'));
        self::assertSame('all pages', $places($drafts)->fits('/x'));
        self::assertNull($places($drafts)->fits('/draft'));
        self::assertNull($places($notes, $drafts)->fits('/notes/draft'));
        self::assertNull($places($drafts, $notes)->fits('/x'));
        self::assertSame('begins with /notes/', $places($drafts, $notes)->fits('/notes/1'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        $one = ['format' => Document::FORMAT, 'sections' => [['id' => 'a', 'kind' => 'popup', 'blocks' => []]]];
        yield 'no name' => [['name' => ' '], 'name'];
        yield 'no document' => [['document' => 'x'], 'document'];
        yield 'a step too few' => [['document' => $one], 'document'];
        yield 'a step too many' => [['after' => ['kind' => 'page']], 'document'];
        yield 'a trigger that is none' => [['triggers' => [['kind' => 'lightning']]], 'triggers.0.kind'];
        yield 'a depth beyond the page' => [['triggers' => [['kind' => 'depth', 'amount' => 101]]], 'triggers.0.amount'];
        yield 'seconds as words' => [['triggers' => [['kind' => 'seconds', 'amount' => 'ten']]], 'triggers.0.amount'];
        yield 'too many triggers' => [['triggers' => array_fill(0, 9, ['kind' => 'leaving'])], 'triggers'];
        yield 'a pause shorter after closing' => [['limits' => ['repeat' => 'days', 'days' => 7, 'afterClosed' => 6]],
            'limits.afterClosed'];
        yield 'an end before its beginning' => [['limits' => ['from' => '2027-01-02T00:00', 'until' => '2027-01-01T00:00']],
            'limits.until'];
        yield 'no weekday' => [['limits' => ['hours' => ['days' => []]]], 'window.days'];
        yield 'a pattern of nothing' => [['targeting' => ['sites' => [['site' => 's', 'patterns' => [['how' => 'contains',
            'text' => ' ']]]]]],
            'targeting.sites.0.patterns.0.text'];
        yield 'a language that is none' => [['targeting' => ['languages' => ['<b>']]], 'targeting.languages'];
        yield 'a script as an address' => [['after' => ['kind' => 'address', 'to' => 'javascript:alert(1)'], 'document' => $one],
            'after.to'];
        yield 'a mark with markup' => [['spot' => ['how' => 'mark', 'text' => '"><i>']], 'spot.text'];
        yield 'slower than anybody waits' => [['frame' => ['ms' => 60_000]], 'frame.ms'];
    }

    /** @param  array<string, mixed>  $with */
    #[DataProvider('bad')]
    public function test_bad_input_is_named_by_its_place(array $with, string $path): void
    {
        try {
            PopupCheckTest::popup($with);
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    public function test_every_design_goes_to_every_other_and_keeps_words_and_pictures(): void
    {
        $n = 0;
        $newId = function () use (&$n): string {
            return 'n'.++$n;
        };
        $parts = ['form' => 'guide'];
        $said = function (Popup $p): array {
            $said = [];
            foreach ($p->document->sections as $section) {
                foreach ($section->blocks as $block) {
                    $said[$block->id] = [$block->fields, $block->items];
                }
            }

            return $said;
        };
        self::assertGreaterThanOrEqual(10, count(PopupDesigns::all()));
        foreach (PopupDesigns::all() as $design) {
            $popup = PopupDesigns::fresh('p', 'Before you go', $design, $newId, $parts);
            self::assertEquals($popup, Popup::fromShape(Shape::of($popup->toArray())));
            self::assertSame([$design->id, false, ['guide']], [PopupDesigns::nearest($popup)->id, $popup->on, $popup->forms()]);
            foreach (PopupDesigns::all() as $other) {
                $moved = PopupDesigns::applied($popup, $other, $newId, $parts);
                self::assertSame([], array_diff_key($said($popup), $said($moved)), 'no block is lost');
                foreach ($said($popup) as $id => $words) {
                    self::assertSame($words, $said($moved)[$id]);
                }
                self::assertSame($other->id, PopupDesigns::nearest($moved)->id, "from {$design->id} to {$other->id}");
                self::assertSame(PopupDesigns::stand($other), $moved->frame->placement);
            }
        }
    }

    public function test_every_starter_comes_with_one_that_is_off_and_can_be_switched_on_as_it_is(): void
    {
        self::assertSame([], Plans::of(Goal::Own)->popups, 'but for the empty one');
        foreach (array_diff_key(Plans::all(), [Goal::Own->value => true]) as $goal => $plan) {
            $popup = $plan->popups[0] ?? self::fail("{$goal} has none");
            self::assertSame([1, false, true, $plan->entry()?->id], [count($plan->popups), $popup->on, $popup->asks,
                $popup->targeting->ids[0]]);
            $findings = PopupCheck::of($plan->withPart($popup->switchedOn()), new PageFacts);
            self::assertSame([], array_map(fn (Finding $f): string => $f->message, $findings), $goal);
            self::assertSame([], PopupCheck::of($plan, new PageFacts));
        }
    }

    public function test_the_check_finds_what_keeps_one_that_is_on_from_its_visitors(): void
    {
        $codes = function (array $with, ?callable $change = null): array {
            $plan = Plans::giveAway();
            $popup = $plan->popups[0];
            $on = Popup::fromShape(Shape::of($with + ['on' => true] + $popup->toArray()));
            $plan = Plans::changed($change ?? fn (array $p): array => $p, $plan->withPart($on));

            return array_map(fn (Finding $f): string => $f->code.($f->blocks ? '!' : ''), PopupCheck::of($plan, new PageFacts));
        };
        $opens = fn (array $p): array => (array) json_decode(str_replace('"url":"popup:next"', '"url":"popup:close"',
            (string) json_encode($p)), true);
        $linked = function (array $p): array {
            $p['pages'][0]['document']['sections'][0]['blocks'][] = ['id' => 'opener', 'kind' => 'button', 'text' => 'Open',
                'url' => 'popup:'.$p['popups'][0]['id']];

            return $p;
        };

        self::assertSame([], $codes([]));
        self::assertSame(['popup-never'], $codes(['triggers' => []]));
        self::assertSame(['popup-nowhere'], $codes(['targeting' => ['pages' => 'none']]));
        self::assertSame(['popup-nowhere'], $codes(['targeting' => ['pages' => 'some', 'ids' => ['gone']]]));
        self::assertSame([], $codes(['targeting' => ['pages' => 'none', 'sites' => [['site' => 'blog', 'patterns' => []]]]]));
        self::assertSame(['popup-page-gone'], $codes(['targeting' => ['pages' => 'except', 'ids' => ['gone']]]));
        self::assertSame(['popup-section-gone'], $codes(['triggers' => [['kind' => 'section', 'section' => 'gone']]]));
        self::assertSame(['popup-insistent'], $codes(['limits' => ['repeat' => 'always', 'apart' => 0]]));
        self::assertSame(['popup-no-yes!'], $codes([], $opens));
        self::assertSame(['popup-link!'], $codes([], $linked));
        self::assertSame([], $codes(['triggers' => [['kind' => 'click']]], $linked));
        self::assertSame(['form-gone!'], $codes([], fn (array $p): array => ['forms' => []] + $p));
    }

    public function test_the_steps_of_a_popup(): void
    {
        $popup = PopupCheckTest::popup();
        self::assertSame([null, 'main', 'thanks'], [$popup->question(), $popup->main()?->id, $popup->thanks()?->id]);
        $document = $popup->toArray()['document'];
        array_unshift($document['sections'], ['id' => 'ask', 'kind' => 'popup', 'blocks' => []]);
        $asks = PopupCheckTest::popup(['asks' => true, 'document' => $document]);
        self::assertSame(['ask', 'main', 'thanks'], [$asks->question()?->id, $asks->main()?->id, $asks->thanks()?->id]);
    }

    public function test_a_visit_ends_when_nothing_was_looked_at_for_half_an_hour(): void
    {
        $at = fn (string $time): DateTimeImmutable => new DateTimeImmutable("2027-03-28 {$time} Europe/Berlin");

        self::assertTrue(Visits::goesOn($at('12:00'), $at('12:30')));
        self::assertFalse(Visits::goesOn($at('12:00'), $at('12:30:01')));
        // Two in the morning becomes three: twenty minutes passed, not eighty.
        self::assertTrue(Visits::goesOn($at('01:50'), $at('03:10')));
        self::assertTrue(Visits::goesOn($at('12:00'), $at('11:00')), 'a clock was put back');
    }
}
