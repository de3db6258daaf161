<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

use BackedEnum;

/**
 * Pieces of a JSON Schema (draft 2020-12) in which a value says what its written form may hold: the counterpart of reading it from a
 * {@see Shape}. `docs/formats/plan.schema.json` is written from these.
 *
 * @phpstan-type Schema array<string, mixed>
 */
final class Written
{
    /** @return Schema the id of something */
    public static function id(string $description = ''): array
    {
        return self::said(['$ref' => '#/$defs/id'], $description);
    }

    /** @return Schema something that is described once for all, such as `moment` */
    public static function ref(string $name, string $description = ''): array
    {
        return self::said(['$ref' => "#/\$defs/{$name}"], $description);
    }

    /** @return Schema words of at most so many characters */
    public static function text(int $most, string $description = '', int $least = 0): array
    {
        return self::said(['type' => 'string'] + ($least === 0 ? [] : ['minLength' => $least]) + ['maxLength' => $most], $description);
    }

    /** @return Schema words of one shape, as a regular expression of ECMA 262 */
    public static function shaped(string $pattern, ?int $most = null, string $description = ''): array
    {
        return self::said(['type' => 'string', 'pattern' => $pattern] + ($most === null ? [] : ['maxLength' => $most]), $description);
    }

    /** @return Schema */
    public static function flag(string $description = ''): array
    {
        return self::said(['type' => 'boolean'], $description);
    }

    /** @return Schema a whole number */
    public static function whole(int $least, ?int $most = null, string $description = ''): array
    {
        return self::said(['type' => 'integer', 'minimum' => $least] + ($most === null ? [] : ['maximum' => $most]), $description);
    }

    /**
     * @param  class-string<BackedEnum>|list<string|int>  $of
     * @return Schema one of a few values
     */
    public static function choice(string|array $of, string $description = ''): array
    {
        return self::said(['enum' => is_array($of) ? $of : array_map(fn (BackedEnum $c): int|string => $c->value, $of::cases())],
            $description);
    }

    /**
     * @param  Schema  $items
     * @return Schema
     */
    public static function listOf(array $items, int $most, string $description = '', int $least = 0): array
    {
        return self::said(['type' => 'array'] + ($least === 0 ? [] : ['minItems' => $least]) + ['maxItems' => $most, 'items' => $items],
            $description);
    }

    /**
     * @param  array<string, Schema>  $properties
     * @param  list<string>  $required
     * @return Schema
     */
    public static function group(array $properties, array $required = [], string $description = ''): array
    {
        return self::said(['type' => 'object'] + ($required === [] ? [] : ['required' => $required]) + ['properties' => $properties],
            $description);
    }

    /**
     * @param  Schema  $schema
     * @return Schema
     */
    private static function said(array $schema, string $description): array
    {
        return $schema + ($description === '' ? [] : ['description' => $description]);
    }
}
