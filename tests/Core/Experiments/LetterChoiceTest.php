<?php

declare(strict_types=1);

namespace Tests\Core\Experiments;

use Lantern\Core\Experiments\Assignment;
use Lantern\Core\Experiments\LetterChoice;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LetterChoiceTest extends TestCase
{
    /** @return iterable<string, array{string|null, bool, string|null, bool, string|null, bool}> the letter; then as `of` takes them */
    public static function looks(): iterable
    {
        yield 'a person, while it runs' => [null, true, null, false, null, true];
        yield 'a person who asks for one' => [null, true, null, false, 'b', true];
        yield 'a program' => ['a', true, null, false, null, false];
        yield 'a program that asks for one' => ['a', true, null, false, 'b', false];
        yield 'its owner' => ['a', true, null, true, null, true];
        yield 'its owner, who asks for one' => ['b', true, null, true, 'b', true];
        yield 'its owner, looking ahead' => ['c', true, null, true, 'c', false];
        yield 'it was never begun' => ['a', false, null, false, null, true];
        yield 'it has ended with one' => ['b', false, 'b', false, null, true];
        yield 'it has ended, and a program looks' => ['b', false, 'b', false, null, false];
        yield 'it has ended, and its owner asks for another' => ['b', false, 'b', true, 'c', true];
    }

    #[DataProvider('looks')]
    public function test_which_variant_a_look_gets(?string $letter, bool $running, ?string $winner, bool $owner, ?string $asked,
        bool $person): void
    {
        self::assertSame($letter, LetterChoice::of($running, $winner, $owner, $asked, $person));
    }

    public function test_whoever_has_seen_one_keeps_it_as_long_as_it_is_there(): void
    {
        $weights = ['a' => 100, 'b' => 0];
        self::assertSame(['b', 'a', 'a', 'a'], array_map(
            fn (mixed $seen): string => Assignment::keeping($seen, 't', 'who', $weights), ['b', 'c', null, ['b']]));
    }
}
