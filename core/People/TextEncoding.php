<?php

declare(strict_types=1);

namespace Lantern\Core\People;

use ValueError;

/** The encodings that files of people come in. */
enum TextEncoding: string
{
    case Utf8 = 'UTF-8';
    case Utf16Little = 'UTF-16LE';
    case Utf16Big = 'UTF-16BE';
    case Western = 'Windows-1252';
    case OldMac = 'MACINTOSH';

    /** Bytes that Windows-1252 does not have, and those of its signs and odd capitals that never stand within a word. */
    private const NOT_WESTERN = '/[\x81\x8D\x8F\x90\x9D]|(?<=[A-Za-z])[\x83\x86-\x8C\x8E\x95\x98\x99\x9B\x9F](?=[a-z])/';

    /** Letters as Windows-1252 has them. */
    private const WESTERN_LETTERS = '/[\xC0-\xD6\xD8-\xF6\xF8-\xFF]/';

    /**
     * The encoding that a file most likely has: UTF-8 if it is valid, UTF-16 by its mark or its zeros, else
     * Windows-1252, as office programs of the west write it, or what old Macs wrote where its bytes make no sense in the former.
     *
     * @param  string  $sample  the beginning of the file; it may end in the middle of a character
     */
    public static function of(string $sample): self
    {
        if (str_starts_with($sample, "\xFF\xFE")) {
            return self::Utf16Little;
        }
        if (str_starts_with($sample, "\xFE\xFF")) {
            return self::Utf16Big;
        }
        if (strlen($sample) > 3 && substr_count($sample, "\0") > strlen($sample) / 4) {
            return $sample[0] === "\0" ? self::Utf16Big : self::Utf16Little;
        }
        for ($cut = 0; $cut < 4; $cut++) {
            if (mb_check_encoding(substr($sample, 0, strlen($sample) - $cut), 'UTF-8')) {
                return self::Utf8;
            }
        }

        return self::ofBytes($sample);
    }

    /** Of text that is no UTF-8 and has a byte a letter. */
    public static function ofBytes(string $text): self
    {
        return (int) preg_match_all(self::NOT_WESTERN, $text) > (int) preg_match_all(self::WESTERN_LETTERS, $text)
            ? self::OldMac : self::Western;
    }

    /** How many bytes of mark text in it begins with. */
    public function mark(string $sample): int
    {
        $mark = match ($this) {
            self::Utf8 => "\xEF\xBB\xBF",
            self::Utf16Little => "\xFF\xFE",
            self::Utf16Big => "\xFE\xFF",
            default => '',
        };

        return $mark !== '' && str_starts_with($sample, $mark) ? strlen($mark) : 0;
    }

    public function isWide(): bool
    {
        return $this === self::Utf16Little || $this === self::Utf16Big;
    }

    /**
     * Cuts what may end in the middle of a wide character into what is whole and the rest.
     *
     * @return array{string, string}
     */
    public function whole(string $bytes): array
    {
        if (! $this->isWide()) {
            return [$bytes, ''];
        }
        $whole = strlen($bytes) & ~1;
        // The first half of a pair waits for the second one.
        $high = ord($bytes[$whole - ($this === self::Utf16Little ? 1 : 2)] ?? "\0");
        $whole -= $whole > 0 && $high >= 0xD8 && $high <= 0xDB ? 2 : 0;

        return [substr($bytes, 0, $whole), substr($bytes, $whole)];
    }

    /** Text in it as UTF-8; what is none in this encoding becomes a question mark, and nothing is refused. */
    public function toUtf8(string $text): string
    {
        if ($this === self::OldMac) {
            $read = iconv($this->value, 'UTF-8//IGNORE', $text);

            return $read === false ? '' : $read;
        }

        return mb_convert_encoding($text, 'UTF-8', $this->value);
    }

    /** Text whose encoding somebody named, such as `ISO-8859-1` in a vCard, as UTF-8; nothing for a name that is not known. */
    public static function named(string $name, string $text): ?string
    {
        // As browsers do: what says it is the older one has the quotes and dashes of the newer one.
        $name = (string) preg_replace('/^(?:ISO-8859-1|LATIN-?1|US-ASCII|CP1252)$/i', 'Windows-1252', trim($name, " \t\"'"));
        try {
            return (string) mb_convert_encoding($text, 'UTF-8', $name);
        } catch (ValueError) {
            return preg_match('/^(?:x-)?mac(?:intosh|roman)?$/i', $name) === 1 ? self::OldMac->toUtf8($text) : null;
        }
    }
}
