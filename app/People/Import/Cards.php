<?php

declare(strict_types=1);

namespace App\People\Import;

use Generator;
use Lantern\Core\People\CardProperty;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Support\Invalid;
use Sabre\VObject\Parser\MimeDir;

/**
 * Reads vCards as they come, broken ones too: a line that is none is passed over, and a card that has no end ends where the
 * next one begins, or at the end of the file with its last whole line. Every card gives a person, so that one without
 * an address is told of.
 */
final class Cards
{
    public const HEADINGS = ['Email', 'First name', 'Last name', 'Phone', 'Tags'];

    private const ASKED_FOR = '/^(?:[A-Za-z0-9-]+\.)?(?:VERSION|FN|N|EMAIL|TEL|CATEGORIES)[;:]/i';

    /**
     * @param  iterable<string>  $lines  as bytes with their ends
     * @return Generator<int, list<string>> under {@see self::HEADINGS}, by the line on which each card began
     */
    public static function people(iterable $lines): Generator
    {
        $begin = null;
        $inner = 0;
        $number = 0;
        $properties = [];
        foreach ($lines as $line) {
            $number++;
            // A mark of the byte order says nothing in UTF-8, and is no part of the first card.
            $line = $number === 1 && str_starts_with($line, "\u{FEFF}") ? substr($line, 3) : $line;
            if (preg_match('/^\s*(AGENT[^:]*:\s*)?(BEGIN|END):VCARD\s*$/i', $line, $m) === 1) {
                if (strtoupper($m[2]) === 'BEGIN') {
                    if ($begin !== null && ($m[1] !== '' || preg_match('/^AGENT[^:]*:\s*$/i', $before ?? '') === 1)) {
                        $inner++;

                        continue;
                    }
                    if ($begin !== null) {
                        yield $begin => self::person($properties);
                    }
                    [$begin, $properties, $inner] = [$number, [], 0];
                } elseif ($inner > 0) {
                    $inner--;
                } elseif ($begin !== null) {
                    yield $begin => self::person($properties);
                    $begin = null;
                }
                $property = null;

                continue;
            }
            $before = $line;
            if ($begin === null || $inner > 0) {
                continue;
            }
            $text = rtrim($line, "\r\n");
            $isSoft = isset($property) && str_ends_with((string) end($properties[$property]), '=')
                && CardProperty::isQuotedPrintable($properties[$property][0]);
            if (isset($property) && ($isSoft || $text !== ltrim($text, " \t"))) {
                $properties[$property][] = $text;
            } elseif ($text === ltrim($text, " \t")) {
                $property = preg_match(self::ASKED_FOR, $text) === 1 ? count($properties) : null;
                if ($property !== null) {
                    $properties[] = [$text];
                }
            }
        }
        if ($begin !== null) {
            // A file that was cut off: half an address is not somebody else's.
            if (isset($property, $line) && ! str_ends_with($line, "\n")) {
                unset($properties[$property]);
            }
            yield $begin => self::person($properties);
        }
    }

    /**
     * @param  array<int, non-empty-list<string>>  $lines  of each property, still folded
     * @return list<string>
     */
    private static function person(array $lines): array
    {
        $isOld = preg_grep('/^VERSION:\s*2\./i', array_column($lines, 0)) !== [];
        /** @var array<string, list<CardProperty>> $by */
        $by = [];
        foreach ($lines as $parts) {
            $property = CardProperty::read(self::unfolded($parts, $isOld));
            if ($property !== null) {
                $by[$property->name][] = $property;
            }
        }
        foreach ($by as $name => $some) {
            usort($some, fn (CardProperty $a, CardProperty $b): int => $a->preference <=> $b->preference);
            $by[$name] = $some;
        }
        [$last, $first] = [...self::values($by['N'][0] ?? null, ';'), '', ''];
        if ($first === '' && $last === '') {
            $full = implode(' ', self::values($by['FN'][0] ?? null, null));
            $at = strrpos($full, ' ');
            [$first, $last] = $at === false ? [$full, ''] : [substr($full, 0, $at), substr($full, $at + 1)];
        }
        $tags = array_merge([], ...array_map(fn (CardProperty $p): array => self::values($p, ','), $by['CATEGORIES'] ?? []));

        return [self::address($by['EMAIL'] ?? []), $first, $last,
            self::uri('tel', implode('', self::values($by['TEL'][0] ?? null, null))), implode(';', $tags)];
    }

    /** @param  non-empty-list<string>  $parts */
    private static function unfolded(array $parts, bool $isOld): string
    {
        $line = $parts[0];
        $isQuoted = CardProperty::isQuotedPrintable($line);
        foreach (array_slice($parts, 1) as $part) {
            // A line of the older version is parted at a blank, which stays; a newer one anywhere, and the blank is added.
            $line = $isQuoted && str_ends_with($line, '=') ? substr($line, 0, -1).$part
                : $line.($isOld && ! $isQuoted ? ' '.ltrim($part, " \t") : substr($part, 1));
        }

        return $line;
    }

    /** @return list<string> */
    private static function values(?CardProperty $property, ?string $delimiter): array
    {
        if ($property === null) {
            return [];
        }
        // Without a delimiter it is the whole text; its escapes are taken away all the same.
        $values = MimeDir::unescapeValue($property->text, $delimiter ?? "\x00");

        return array_map(fn (mixed $v): string => trim(is_string($v) ? $v : ''), array_values((array) $values));
    }

    /**
     * The first address, in the order of preference, that is one.
     *
     * @param  list<CardProperty>  $emails
     */
    private static function address(array $emails): string
    {
        $typed = array_map(fn (CardProperty $p): string => self::uri('mailto', implode('', self::values($p, null))), $emails);
        $typed = array_values(array_filter($typed, fn (string $a): bool => $a !== ''));
        foreach ($typed as $address) {
            try {
                return EmailAddress::of($address)->display;
            } catch (Invalid) {
                continue;
            }
        }

        return $typed[0] ?? '';
    }

    private static function uri(string $scheme, string $value): string
    {
        return preg_match("/^{$scheme}:([^?;]*)/i", $value, $m) === 1 ? rawurldecode($m[1]) : $value;
    }
}
