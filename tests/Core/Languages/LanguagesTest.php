<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use Lantern\Core\Languages\Languages;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LanguagesTest extends TestCase
{
    public function test_it_knows_the_languages_and_those_that_are_not_written_alike_everywhere(): void
    {
        $tags = Languages::tags();
        foreach (['en', 'de', 'ar', 'he', 'pt-BR', 'pt-PT', 'zh-Hant'] as $tag) {
            self::assertContains($tag, $tags);
        }
        self::assertSame(array_values(array_unique($tags)), $tags);
        self::assertSame([], preg_grep('/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})?$/', $tags, PREG_GREP_INVERT), 'each may be a page\'s language');
    }

    /** @return iterable<string, array{string, bool}> */
    public static function written(): iterable
    {
        yield 'with its place' => ['en-GB', true];
        yield 'with its letters' => ['zh-Hant-TW', true];
        yield 'a language alone' => ['de', false];
        yield 'as ICU writes it' => ['de_DE', false];
        yield 'in small letters' => ['de-de', false];
        yield 'nothing' => ['', false];
        yield 'with an order of its own' => ['de-DE-u-co-phonebk', false];
    }

    #[DataProvider('written')]
    public function test_a_way_to_write_dates_is_one_of_the_list(string $tag, bool $known): void
    {
        self::assertSame($known, Languages::isLocale($tag));
    }
}
