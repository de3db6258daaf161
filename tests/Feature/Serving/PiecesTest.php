<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Front\FrontPage;
use App\Front\Pieces;
use App\Serving\PageHeaders;
use App\Serving\Slots\SlotKinds;
use App\Serving\Slots\SlotReach;
use PHPUnit\Framework\Attributes\DataProvider;
use ReflectionClass;
use Tests\TestCase;

/** A page in pieces that are packed each by itself, and what its headers say. */
final class PiecesTest extends TestCase
{
    /** @return iterable<string, array{list<string>}> */
    public static function filled(): iterable
    {
        yield 'nothing' => [['', '']];
        yield 'some letters' => [['x', '<b>']];
        yield 'one that is as long as is just not packed' => [[str_repeat('é', 199).'x', '']];
        yield 'one that is packed' => [[str_repeat('words ', 5000), random_bytes(70_000)]];
    }

    /** @param  list<string>  $with */
    #[DataProvider('filled')]
    public function test_packed_by_pieces_it_unpacks_to_the_same(array $with): void
    {
        $slot = fn (string $of): array => ['kind' => 'token', 'of' => $of, 'fallback' => '', 'noted' => []];
        foreach ([[], ['<p>'], ['<p>', $slot('0'), '', '</p>', 'more', $slot('1')],
            [$slot('0'), $slot('1'), str_repeat('a', 100_000)]] as $parts) {
            $pieces = Pieces::fromArray((array) unserialize(serialize(Pieces::of($parts)->list)));
            $fill = fn (string $kind, string $of): string => $with[(int) $of];
            $text = implode('', array_map(fn (array|string $part): string => is_string($part) ? $part : $with[(int) $part['of']], $parts));
            self::assertSame($text, $pieces->filled($fill, false));
            self::assertSame($text, gzdecode($pieces->filled($fill, true)));
            self::assertSame($text, zlib_decode($pieces->filled($fill, true)));
        }
    }

    public function test_of_each_kind_of_slot_it_is_said_when_it_can_be_filled(): void
    {
        $kinds = array_keys((new ReflectionClass(SlotKinds::class))->getProperty('classes')->getValue(app(SlotKinds::class)));
        self::assertGreaterThan(30, count($kinds));
        foreach ($kinds as $kind) {
            self::assertContains(SlotReach::of($kind), SlotReach::cases());
        }
        self::assertNull(FrontPage::read('a:1:{i:0;O:8:"stdClass":0:{}'));
    }

    /** @return iterable<string, array{string|null, bool}> */
    public static function encodings(): iterable
    {
        foreach (['gzip' => true, 'br, GZIP ; q=0.5' => true, 'gzip;q=0' => false, 'gzip;q=0.000' => false, 'gzip;q=0.001' => true,
            'x-gzip' => false, '*' => false, '' => false, 'identity;q=1, *;q=0' => false] as $header => $takes) {
            yield $header => [$header, $takes];
        }
        yield 'none' => [null, false];
    }

    #[DataProvider('encodings')]
    public function test_whoever_cannot_unpack_it_gets_it_as_it_is(?string $header, bool $takes): void
    {
        self::assertSame($takes, PageHeaders::takesPacked($header));
    }
}
