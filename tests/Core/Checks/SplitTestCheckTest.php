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
            $p['splitTests'][] = ['id' => 'test-1', 'name' => 'Opt-in page', 'page' => $page === '' ? $p['pages'][0]['id'] : $page,
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
            $p['splitTests'][] = ['id' => 'test-1', 'name' => 'Opt-in page', 'page' => $p['pages'][0]['id'], 'on' => true,
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

    public function test_of_a_page_that_is_gone_nothing_is_said(): void
    {
        self::assertSame([], self::codes(self::plan(true, fn (array $d): array => $d, 'gone')));
    }
}
