<?php

declare(strict_types=1);

namespace Tests\Core\Rules;

use Lantern\Core\Rules\Examples;
use Lantern\Core\Rules\Group;
use PHPUnit\Framework\TestCase;

final class ExamplesTest extends TestCase
{
    public function test_every_example_is_a_segment_that_can_be_saved_and_says_in_words_whom_it_finds(): void
    {
        $words = [];
        foreach (Examples::of('w', 'd', 'VIP') as $example) {
            $group = Group::fromArray($example['rules']);
            self::assertSame($example['rules'], $group->toArray(), $example['name']);
            $words[$example['name']] = $group->words(fn (string $id): string => ['w' => 'First melody', 'd' => 'Introductory price',
                'joined' => 'joined', 'active' => 'active'][$id] ?? $id);
        }
        self::assertSame('bought anything', $words['Buyers']);
        self::assertSame('missed “First melody”', $words['Missed the webinar']);
        self::assertCount(10, $words);
        self::assertCount(count($words), array_unique($words), 'no two find the same people');
    }

    public function test_nothing_is_proposed_of_what_there_is_not(): void
    {
        $names = array_column(Examples::of(), 'name');
        self::assertSame(['New this month', 'Buyers', 'Interested, not yet buyers', 'Downloaded, never bought', 'Quiet for three months',
            'Not confirmed yet'], $names);
        self::assertSame([], array_filter(array_column(Examples::of(), 'rules'), fn (array $r): bool => $r['rules'] === []));
    }
}
