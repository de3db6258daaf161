<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

/**
 * Brings rules as they were written up to today's form, on arrays alone. Before plans of format 4 they had keys that meant something
 * else in each kind; before format 6 each kind had a word of its own for “not”.
 */
final class EarlierRules
{
    /**
     * A rule, or a group of them, however deep. What is written in today's form is left as it is.
     *
     * @param  array<array-key, mixed>  $rules
     * @return array<array-key, mixed>
     */
    public static function upgrade(array $rules): array
    {
        if (isset($rules['what'])) {
            return self::negated(self::rule($rules));
        }
        if (isset($rules['kind'])) {
            return self::negated($rules);
        }
        if (isset($rules['of'])) {
            $rules = ['all' => $rules['all'] ?? true, 'rules' => $rules['of']];
        }
        if (is_array($rules['rules'] ?? null)) {
            $rules['rules'] = array_values(array_map(fn (mixed $item): mixed => is_array($item) ? self::upgrade($item) : $item,
                $rules['rules']));
        }

        return $rules;
    }

    /** The same within the conditional parts of an email. */
    public static function inBody(string $html): string
    {
        return (string) preg_replace_callback('~(<div data-only=")([^"]*)(">)~', function (array $m): string {
            $rule = json_decode(html_entity_decode($m[2], ENT_QUOTES | ENT_HTML5), true);

            return ! is_array($rule) ? $m[0]
                : $m[1].htmlspecialchars(json_encode(self::upgrade($rule), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), ENT_QUOTES).$m[3];
        }, $html);
    }

    /**
     * A rule whose own word for “it is so” becomes the one word for “it is not so”.
     *
     * @param  array<array-key, mixed>  $rule
     * @return array<array-key, mixed>
     */
    private static function negated(array $rule): array
    {
        if (($rule['kind'] ?? null) === 'standing') {
            $rule = array_diff_key($rule + ['subscription' => $rule['standing'] ?? ''], ['standing' => 0]);
            $rule['kind'] = 'subscription';
        }
        $so = ['tag' => 'has', 'deed' => 'done', 'subscription' => 'so'][is_string($rule['kind'] ?? null) ? $rule['kind'] : ''] ?? null;

        if ($so === null || ! isset($rule[$so])) {
            return $rule;
        }
        $new = [];
        foreach ($rule as $key => $value) {
            $new[$key === $so ? 'not' : $key] = $key === $so ? $value === false : $value;
        }

        return $new;
    }

    /**
     * @param  array<array-key, mixed>  $r
     * @return array<array-key, mixed>
     */
    private static function rule(array $r): array
    {
        $is = $r['is'] ?? '';
        $new = match ($r['what']) {
            'tag' => ['kind' => 'tag', 'has' => $is === 'has', 'tag' => $r['value'] ?? ''],
            'did' => ['kind' => 'deed', 'deed' => $r['did'] ?? '', 'done' => $is === 'has', 'with' => $r['of'] ?? '',
                'days' => $r['within'] ?? 0],
            'field' => ['kind' => 'field', 'field' => $r['of'] ?? '', 'compare' => $is, 'value' => $r['value'] ?? ''],
            'date' => ['kind' => 'date', 'date' => $r['of'] ?? '', 'compare' => $is, 'day' => $r['value'] ?? '',
                'days' => $r['within'] ?? 0],
            'standing' => ['kind' => 'standing', 'so' => $is === 'equal', 'standing' => $r['value'] ?? ''],
            default => $r,
        };

        return array_filter($new, fn (mixed $v): bool => $v !== '' && $v !== 0);
    }
}
