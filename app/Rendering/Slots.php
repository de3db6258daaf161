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
        return MergeFields::replace($html, function (string $name, string $fallback) use ($constants): string {
            $value = trim($constants[$name] ?? '');

            return isset($constants[$name]) ? e($value === '' ? $fallback : $value) : "<!--slot:merge:{$name}:".base64_encode($fallback).'-->';
        });
    }

    /**
     * @param  array<string, string>  $fill  HTML by slot, such as `token` or `value:email`; a slot that is not named is empty
     * @param  array<string, string>  $person  the reader's fields, as plain text
     */
    public static function fill(string $html, array $fill, array $person): string
    {
        return (string) preg_replace_callback('/<!--slot:([a-z]+)(?::([A-Za-z0-9_-]+))?(?::([A-Za-z0-9+\/=]*))?-->/', function (array $m) use ($fill, $person): string {
            if ($m[1] === 'merge') {
                $value = trim($person[$m[2] ?? ''] ?? '');

                return e($value === '' ? (string) base64_decode($m[3] ?? '', true) : $value);
            }

            return $fill[$m[1].(($m[2] ?? '') === '' ? '' : ':'.$m[2])] ?? '';
        }, $html);
    }
}
