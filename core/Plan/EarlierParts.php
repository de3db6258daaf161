<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Rules\EarlierRules;

/**
 * Brings a part of a funnel as it was written before plans of format 6 up to today's form, on arrays alone: an email said in
 * one of three fields when it goes out, and some keys meant one thing here and another there. What is written in today's form
 * is left as it is, so that doing it twice is doing it once.
 */
final class EarlierParts
{
    /** The fields of a part that have another name now, by its kind. */
    private const RENAMED = [
        'webinar' => ['manner' => 'mode', 'bar' => 'threshold'],
        'deadline' => ['lasting' => 'duration'],
        'popup' => ['places' => 'targeting'],
    ];

    /** Fields within a group of a part, likewise. */
    private const RENAMED_WITHIN = [
        'deadline' => ['warning' => ['words' => 'text']],
        'form' => ['confirm' => ['words' => 'text']],
        'popup' => ['frame' => ['stand' => 'placement']],
    ];

    /** Kinds of a form's fields that have another name now. */
    public const FIELD_KINDS = ['line' => 'short_text', 'words' => 'long_text'];

    /**
     * @param  array<array-key, mixed>  $part  with its kind
     * @return array<array-key, mixed>
     */
    public static function upgrade(array $part): array
    {
        $kind = is_string($part['kind'] ?? null) ? $part['kind'] : '';
        $part = self::renamed($part, self::RENAMED[$kind] ?? []);
        foreach (self::RENAMED_WITHIN[$kind] ?? [] as $group => $names) {
            if (is_array($part[$group] ?? null)) {
                $part[$group] = self::renamed($part[$group], $names);
            }
        }

        if ($kind === 'form' && is_array($part['confirm'] ?? null) && is_string($part['confirm']['body'] ?? null)) {
            $part['confirm']['body'] = EarlierRules::inBody($part['confirm']['body']);
        }

        return match ($kind) {
            'email' => self::email($part),
            'offer' => self::within($part, 'bumps', fn (array $bump): array => self::renamed($bump, ['words' => 'text'])),
            'form' => self::within($part, 'fields', fn (array $field): array => is_string($field['kind'] ?? null)
                ? ['kind' => self::FIELD_KINDS[$field['kind']] ?? $field['kind']] + $field : $field),
            'popup' => is_array($part['never'] ?? null) ? ['never' => EarlierRules::upgrade($part['never'])] + $part : $part,
            default => $part,
        };
    }

    /**
     * @param  array<array-key, mixed>  $email
     * @return array<array-key, mixed>
     */
    private static function email(array $email): array
    {
        foreach (['by' => 'deadline', 'session' => 'session', 'delay' => 'joining'] as $field => $from) {
            if (! isset($email['timing']) && is_array($email[$field] ?? null) && $email[$field] !== []) {
                $email['timing'] = ['from' => $from] + $email[$field];
            }
            unset($email[$field]);
        }
        if (is_array($email['only'] ?? null)) {
            $email['only'] = EarlierRules::upgrade($email['only']);
        }
        if (is_string($email['body'] ?? null)) {
            $email['body'] = EarlierRules::inBody($email['body']);
        }

        return $email;
    }

    /**
     * @param  array<array-key, mixed>  $written
     * @param  array<string, string>  $names  new ones by old ones
     * @return array<array-key, mixed>
     */
    private static function renamed(array $written, array $names): array
    {
        $new = [];
        foreach ($written as $key => $value) {
            $new[$names[$key] ?? $key] = $value;
        }

        return $new;
    }

    /**
     * @param  array<array-key, mixed>  $part
     * @param  callable(array<array-key, mixed>): array<array-key, mixed>  $change
     * @return array<array-key, mixed>
     */
    private static function within(array $part, string $list, callable $change): array
    {
        if (is_array($part[$list] ?? null)) {
            $part[$list] = array_map(fn (mixed $item): mixed => is_array($item) ? $change($item) : $item, $part[$list]);
        }

        return $part;
    }
}
