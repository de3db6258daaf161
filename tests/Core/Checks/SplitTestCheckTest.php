<?php

declare(strict_types=1);

namespace Tests\Core\Checks;

use Lantern\Core\Checks\Finding;
use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Page\Document;
use Lantern\Core\Plan\Plan;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

final class SplitTestCheckTest extends TestCase
{
    /** @param  callable(array<string, mixed>): array<string, mixed>  $document */
    private static function plan(bool $on, callable $document, string $page = ''): Plan
    {
        return Plans::changed(function (array $p) use ($on, $document, $page): array {
            $p['splitTests'][] = ['id' => 'test-1', 'name' => 'Opt-in page', 'part' => $page === '' ? $p['pages'][0]['id'] : $page,
                'on' => $on];
            $p['variants'][] = ['id' => 'variant-1', 'name' => 'Another', 'test' => 'test-1', 'letter' => 'b',
                'document' => $document($p['pages'][0]['document'])];

            return $p;
        });
    }

    /** @return list<string> */
    private static function codes(Plan $plan): array
    {
        return array_values(array_map(fn (Finding $f): string => ($f->blocks ? '!' : '').$f->code, array_filter(GoLiveCheck::of($plan),
            fn (Finding $f): bool => $f->open === 'variant')));
    }

    /** @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>, list<string>}> */
    public static function documents(): iterable
    {
        $blocks = fn (callable $keep): callable => function (array $d) use ($keep): array {
            foreach ($d['sections'] as $i => $section) {
                $d['sections'][$i]['blocks'] = array_values(array_filter($section['blocks'], $keep));
            }

            return $d;
        };
        yield 'a copy' => [fn (array $d): array => $d, ['!variant-unchanged']];
        yield 'without its form' => [$blocks(fn (array $b): bool => $b['kind'] !== 'form'), ['!variant-without-form']];
        yield 'without anything' => [fn (array $d): array => ['format' => Document::FORMAT, 'sections' => []], ['!variant-without-form']];
        yield 'with an empty heading' => [function (array $d): array {
            foreach ($d['sections'][0]['blocks'] as $i => $block) {
                $d['sections'][0]['blocks'][$i] = $block['kind'] === 'heading' ? ['text' => ''] + $block : $block;
            }

            return $d;
        }, ['!no-headline', 'empty-heading']];
    }

    /**
     * @param  callable(array<string, mixed>): array<string, mixed>  $document
     * @param  list<string>  $codes
     */
    #[DataProvider('documents')]
    public function test_a_variant_is_looked_at_as_its_page_is_once_its_test_is_started(callable $document, array $codes): void
    {
        $found = self::codes(self::plan(true, $document));
        $looked = array_intersect($found, [...$codes, '!variant-without-form', '!variant-unchanged']);
        self::assertSame($codes, array_values($looked), implode(', ', $found));
        self::assertSame([], self::codes(self::plan(false, $document)), 'one that is not started is in nobody’s way');
    }

    /** @return iterable<string, array{int, int|null, bool}> weights of the page and of its variant, if it has one; may it start? */
    public static function weights(): iterable
    {
        yield 'half and half' => [1, 1, true];
        yield 'one of ten' => [9, 1, true];
        yield 'the page alone' => [1, 0, false];
        yield 'the variant alone' => [0, 1, false];
        yield 'nobody' => [0, 0, false];
        yield 'no variant' => [1, null, false];
    }

    #[DataProvider('weights')]
    public function test_two_need_a_share_of_the_visitors(int $page, ?int $variant, bool $may): void
    {
        $plan = Plans::changed(function (array $p) use ($page, $variant): array {
            $p['splitTests'][] = ['id' => 'test-1', 'name' => 'Opt-in page', 'part' => $p['pages'][0]['id'], 'on' => true,
                'weight' => $page];
            if ($variant !== null) {
                $p['variants'][] = ['id' => 'variant-1', 'name' => 'Another', 'test' => 'test-1', 'letter' => 'b', 'weight' => $variant,
                    'document' => $p['pages'][0]['document']];
            }

            return $p;
        });
        $found = array_map(fn (Finding $f): string => $f->code, array_filter(GoLiveCheck::of($plan),
            fn (Finding $f): bool => $f->blocks));
        self::assertSame(! $may, in_array('one-variant', $found, true), implode(', ', $found));
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<string>}> what it is of, what is changed, and what is found */
    public static function others(): iterable
    {
        $body = '<p>Begin <a href="https://ferncroft.example/">here</a>. {{download_link}}</p>';
        yield 'another subject' => ['email', ['subject' => 'Twelve minutes', 'body' => $body], []];
        yield 'the same email' => ['email', ['subject' => 'The first day', 'body' => $body], ['!variant-unchanged']];
        yield 'an email without its link' => ['email', ['subject' => 'x', 'body' => '<p>Begin. {{download_link}}</p>'],
            ['!variant-without-link']];
        yield 'an email without its file' => ['email', ['subject' => 'x',
            'body' => '<p><a href="https://ferncroft.example/">Begin</a></p>'], ['!variant-without-file']];
        yield 'an email without a subject' => ['email', ['subject' => '', 'body' => $body], ['!no-subject']];
        yield 'a link to nowhere' => ['email', ['subject' => 'x', 'body' => $body.'<a href="{{page_gone}}">x</a>'], ['!dead-link']];
        yield 'another day' => ['timing', ['timings' => [['email' => 'day-1', 'timing' => ['from' => 'joining', 'days' => 2]]]], []];
        yield 'the same day' => ['timing', ['timings' => []], ['!variant-unchanged']];
        yield 'a day of a deadline that is gone' => ['timing', ['timings' => [['email' => 'day-1', 'timing' => ['from' => 'deadline',
            'deadline' => 'gone', 'edge' => 'end', 'days' => -1, 'hour' => 9]]]], ['!by-gone']];
    }

    /**
     * @param  array<string, mixed>  $content
     * @param  list<string>  $codes
     */
    #[DataProvider('others')]
    public function test_an_email_and_a_timing_are_looked_at_as_what_they_are_variants_of(string $of, array $content, array $codes): void
    {
        $plan = Plans::changed(function (array $p) use ($of, $content): array {
            $p['emails'][] = ['id' => 'day-1', 'name' => 'Day one', 'subject' => 'The first day', 'sequence' => $p['sequences'][0]['id'],
                'body' => '<p>Begin <a href="https://ferncroft.example/">here</a>. {{download_link}}</p>',
                'timing' => ['from' => 'joining', 'days' => 1]];
            $p['splitTests'][] = ['id' => 'test', 'name' => 'A test', 'of' => $of, 'on' => true,
                'part' => $of === 'email' ? 'day-1' : $p['sequences'][0]['id']];
            $p['variants'][] = ['id' => 'v', 'name' => 'Otherwise', 'test' => 'test', 'letter' => 'b', 'of' => $of] + $content;

            return $p;
        });
        $found = self::codes($plan);
        self::assertSame($codes, array_values(array_filter($found, fn (string $c): bool => $c[0] === '!')), implode(', ', $found));
    }

    public function test_what_is_wrong_with_what_there_was_before_is_said_of_that_alone(): void
    {
        $plan = Plans::changed(function (array $p): array {
            $body = '<p>Begin <a href="{{page_gone}}">here</a>.</p>';
            $p['emails'][] = ['id' => 'day-1', 'name' => 'Day one', 'subject' => 'x', 'sequence' => $p['sequences'][0]['id'],
                'body' => $body];
            $p['splitTests'][] = ['id' => 't', 'name' => 'T', 'of' => 'email', 'on' => true, 'part' => 'day-1'];
            $p['variants'][] = ['id' => 'v', 'name' => 'B', 'test' => 't', 'letter' => 'b', 'of' => 'email', 'subject' => 'y',
                'body' => $body];

            return $p;
        });
        self::assertSame([], self::codes($plan));
        self::assertContains('dead-link', array_map(fn (Finding $f): string => $f->code, GoLiveCheck::of($plan)));
    }

    public function test_an_email_without_a_link_cannot_be_tested_for_clicks(): void
    {
        $found = fn (string $goal): array => array_values(array_intersect(['nothing-to-click'],
            array_map(fn (Finding $f): string => $f->code,
                GoLiveCheck::of(Plans::changed(function (array $p) use ($goal): array {
                    $p['emails'][] = ['id' => 'day-1', 'name' => 'Day one', 'subject' => 'x', 'sequence' => $p['sequences'][0]['id'],
                        'body' => '<p>Play a little today.</p>'];
                    $p['splitTests'][] = ['id' => 't', 'name' => 'T', 'of' => 'email', 'on' => true, 'part' => 'day-1', 'goal' => $goal];

                    return $p;
                })))));
        self::assertSame([['nothing-to-click'], []], [$found('click'), $found('open')]);
    }

    public function test_of_a_page_that_is_gone_nothing_is_said(): void
    {
        self::assertSame([], self::codes(self::plan(true, fn (array $d): array => $d, 'gone')));
    }
}
