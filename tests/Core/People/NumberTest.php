<?php

declare(strict_types=1);

namespace Tests\Core\People;

use Lantern\Core\People\Number;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A number that can be read in two ways is none. */
final class NumberTest extends TestCase
{
    /** @return iterable<string, array{string, string|null}> */
    public static function numbers(): iterable
    {
        foreach ([
            '12' => '12', '-3' => '-3', '+7' => '7', '41.5' => '41.5', '41,5' => '41.5', '1.234' => '1.234', '1,234' => null,
            '-1,234' => null,
            '0,125' => '0.125', '1234,125' => '1234.125', '1,23' => '1.23', '1,2345' => '1.2345', '1,234.5' => '1234.5',
            '1.234,5' => '1234.5',
            '1,234,567' => '1234567', '1.234.567' => '1234567', '1,234,567.25' => '1234567.25', '1 234' => '1234', '1 234,5' => '1234.5',
            "1'234'567" => '1234567', '1 234.567.890' => null, '1,2,3' => null, '1.2.3' => null, '12 34' => null, '1e5' => null,
            '0x1A' => null,
            'NaN' => null, 'INF' => null, '' => null, ' ' => null, '-' => null, '.5' => null, '5.' => null, '١٢' => null, "5\n6" => null,
            '9999999999999999' => null, '0.1234567' => null, "\u{2212}4" => '-4', "1\u{00A0}234" => '1234', ' 8 ' => '8',
            "1'234 567" => null,
        ] as $typed => $expected) {
            yield "“{$typed}”" => [(string) $typed, $expected];
        }
    }

    #[DataProvider('numbers')]
    public function test_a_number_as_it_is_read(string $typed, ?string $expected): void
    {
        self::assertSame($expected, Number::read($typed));
    }
}
