<?php

declare(strict_types=1);

namespace Tests\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Languages\Languages;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ReflectionClass;

/** How a language spells moments and times is kept with a page, and says the same as ICU does. */
final class SpelledTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function languages(): iterable
    {
        foreach ([...Languages::SPOKEN, 'de-x-formal', 'pt-BR', 'ar', 'ja', 'xx'] as $tag) {
            yield (string) $tag => [(string) $tag];
        }
    }

    #[DataProvider('languages')]
    public function test_what_is_recalled_says_what_was_found(string $language): void
    {
        self::forget();
        $found = self::said($language);
        $spelled = json_decode((string) json_encode(TimeWords::spelled($language)), true);
        self::forget();
        TimeWords::recall($spelled);
        self::assertSame($found, self::said($language));
        self::forget();
        TimeWords::recall(['icu' => '1.0', 'forms' => ['day' => ['other' => '?']], 'pair' => '?', 'numbers' => '0'] + $spelled);
        self::assertSame($found, self::said($language), 'of another ICU nothing is taken over');
        self::forget();
    }

    /** @return list<string> */
    private static function said(string $language): array
    {
        $now = new DateTimeImmutable('2026-10-20 12:00:00', new DateTimeZone('UTC'));
        $said = [json_encode(TimeWords::labels($language), JSON_THROW_ON_ERROR)];
        foreach ([0, 1, 59, 61, 7325, 90_061, 100 * 86_400, 1_000_000_007] as $seconds) {
            $said[] = TimeWords::left($seconds, $language);
            foreach (['Europe/Berlin', 'UTC', 'Asia/Kolkata'] as $zone) {
                // Also the hour that Berlin's clocks show twice.
                foreach ([$now->modify("+{$seconds} seconds"), $now->modify('2026-10-25 00:30:00')] as $at) {
                    $said[] = TimeWords::moment($at, new DateTimeZone($zone), $language, $now);
                }
            }
        }

        return [...$said, ...array_map(fn (int $count): string => TimeWords::form($count, $language), range(0, 130))];
    }

    private static function forget(): void
    {
        foreach ((new ReflectionClass(TimeWords::class))->getProperties() as $property) {
            $property->setValue(null, []);
        }
    }
}
