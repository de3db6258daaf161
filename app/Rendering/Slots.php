<?php

declare(strict_types=1);

namespace App\Rendering;

use Lantern\Core\Emails\MergeFields;

/**
 * What is personal on a rendered page, or depends on where it is shown. A slot is an HTML comment: an owner's words
 * can never contain one, since all text is escaped and the sanitiser drops comments.
 */
final class Slots
{
    private const PATTERN = '/<!--slot:([a-z]+)(?::([A-Za-z0-9_-]+))?(?::([A-Za-z0-9+\/=]*))?-->/';

    public static function name(string $kind, string $of = ''): string
    {
        return '<!--slot:'.$kind.($of === '' ? '' : ':'.$of).'-->';
    }

    /**
     * Turns the merge fields on a page into slots that carry their fallback. What is the same for every reader is
     * filled in at once.
     *
     * @param  array<string, string>  $constants  plain text by field name
     */
    public static function withMergeFields(string $html, array $constants = []): string
    {
        $filled = fn (string $kind, callable $escape): callable => function (string $name, string $fallback) use ($constants, $kind,
            $escape): string {
            $value = trim($constants[$name] ?? '');

            return isset($constants[$name]) ? $escape($value === '' ? $fallback : $value)
                : "<!--slot:{$kind}:{$name}:".base64_encode($fallback).'-->';
        };

        return MergeFields::html($html, $filled('merge', e(...)), $filled('address', rawurlencode(...)), $constants);
    }

    /**
     * The slots on a page, each once.
     *
     * @return list<array{string, string}> kind, and what it is a slot of
     */
    public static function in(string $html): array
    {
        $found = [];
        self::replace($html, function (string $kind, string $of) use (&$found): string {
            $found["{$kind}:{$of}"] = [$kind, $of];

            return '';
        });

        return array_values($found);
    }

    /**
     * A page cut at its slots.
     *
     * @return list<string|array{kind: string, of: string, fallback: string}> HTML, and slots
     */
    public static function split(string $html): array
    {
        $parts = [];
        $at = 0;
        preg_match_all(self::PATTERN, $html, $found, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        foreach ($found as $m) {
            $parts[] = substr($html, $at, $m[0][1] - $at);
            $parts[] = ['kind' => $m[1][0], 'of' => $m[2][0] ?? '', 'fallback' => (string) base64_decode($m[3][0] ?? '', true)];
            $at = $m[0][1] + strlen($m[0][0]);
        }

        return [...$parts, substr($html, $at)];
    }

    /**
     * Puts HTML in the place of each slot. What is put in is not searched for slots again.
     *
     * @param  callable(string, string, string): string  $by  of kind, what it is a slot of, and its fallback as plain text
     */
    public static function replace(string $html, callable $by): string
    {
        return (string) preg_replace_callback(self::PATTERN,
            fn (array $m): string => $by($m[1], $m[2] ?? '', (string) base64_decode($m[3] ?? '', true)), $html);
    }

    /**
     * @param  array<string, string>  $fill  HTML by slot, such as `token` or `value:email`; a slot that is not named is empty
     * @param  array<string, string>  $person  the reader's fields, as plain text
     */
    public static function fill(string $html, array $fill, array $person): string
    {
        return self::replace($html, function (string $kind, string $of, string $fallback) use ($fill, $person): string {
            $value = trim($person[$of] ?? '');

            return match ($kind) {
                'merge' => e($value === '' ? $fallback : $value),
                'address' => rawurlencode($value === '' ? $fallback : $value),
                default => $fill[$of === '' ? $kind : "{$kind}:{$of}"] ?? '',
            };
        });
    }
}
