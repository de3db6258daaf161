<?php

declare(strict_types=1);

namespace App\Front;

use RuntimeException;

/**
 * The text of a page in pieces: what is the same for everybody, packed when the page was published, and the slots in between. A packed
 * answer is put together of pieces that are packed each by itself (RFC 1951, 1952): nothing that was packed is packed again.
 *
 * @phpstan-type PieceSlot array{kind: string, of: string, fallback: string, noted: array<string, mixed>}
 * @phpstan-type Piece array{text: string, packed: string}|PieceSlot
 */
final readonly class Pieces
{
    private const HEAD = "\x1f\x8b\x08\x00\x00\x00\x00\x00\x00\x03";

    /** An empty last block. */
    private const TAIL = "\x03\x00";

    /** What is shorter is not worth packing with each visit. */
    private const WORTH = 400;

    /** @param  list<Piece>  $list */
    private function __construct(public array $list)
    {
    }

    /** @param  list<string|array{kind: string, of: string, fallback: string, noted: array<string, mixed>}>  $parts  text, and slots */
    public static function of(array $parts): self
    {
        /** @var list<Piece> $list */
        $list = [];
        $text = '';
        foreach ($parts as $part) {
            if (is_string($part)) {
                $text .= $part;

                continue;
            }
            if ($text !== '') {
                $list[] = ['text' => $text, 'packed' => self::packed($text, 9)];
                $text = '';
            }
            $list[] = $part;
        }
        if ($text !== '') {
            $list[] = ['text' => $text, 'packed' => self::packed($text, 9)];
        }

        return new self($list);
    }

    /** @param  array<mixed>  $written  as `list` was written */
    public static function fromArray(array $written): self
    {
        /** @var list<Piece> $written */
        return new self($written);
    }

    public function hasSlots(): bool
    {
        return array_filter($this->list, fn (array $piece): bool => isset($piece['kind'])) !== [];
    }

    /** @return list<array{kind: string, of: string, fallback: string, noted: array<string, mixed>}> */
    public function slots(): array
    {
        return array_values(array_filter($this->list, fn (array $piece): bool => isset($piece['kind'])));
    }

    /**
     * @param  callable(string, string, array<string, mixed>, string): string  $fill  by kind, what it is a slot of, what was noted, and
     *     its fallback
     */
    public function filled(callable $fill, bool $packed): string
    {
        $text = $body = '';
        foreach ($this->list as $piece) {
            $isSlot = isset($piece['kind']);
            $html = $isSlot ? $fill($piece['kind'], $piece['of'], $piece['noted'], $piece['fallback']) : $piece['text'];
            $text .= $html;
            if ($packed) {
                $body .= $isSlot ? self::inBetween($html) : $piece['packed'];
            }
        }

        return $packed ? self::HEAD.$body.self::TAIL.pack('VV', crc32($text), strlen($text) & 0xFFFFFFFF) : $text;
    }

    private static function inBetween(string $html): string
    {
        if (strlen($html) >= self::WORTH) {
            return self::packed($html, 6);
        }

        return $html === '' ? '' : "\x00".pack('vv', strlen($html), ~strlen($html) & 0xFFFF).$html;
    }

    /** Packed by itself, up to a whole byte, so that anything can follow. */
    private static function packed(string $text, int $level): string
    {
        $deflate = deflate_init(ZLIB_ENCODING_RAW, ['level' => $level]);
        $packed = $deflate === false ? false : deflate_add($deflate, $text, ZLIB_FULL_FLUSH);

        return $packed === false ? throw new RuntimeException('It could not be packed.') : $packed;
    }
}
