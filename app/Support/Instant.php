<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeInterface;
use DateTimeZone;

/** Moments, as the database and the API write them. */
final class Instant
{
    public const FORMAT = 'Y-m-d H:i:s.v';

    /** For the query builder, which would cut the milliseconds off. */
    public static function sql(DateTimeInterface $at): string
    {
        return DateTimeImmutable::createFromInterface($at)->setTimezone(new DateTimeZone('UTC'))->format(self::FORMAT);
    }

    /** A moment as a raw query returns it, such as the least of a column. */
    public static function carbon(mixed $value): ?CarbonImmutable
    {
        return is_string($value) && $value !== '' ? new CarbonImmutable($value, 'UTC') : null;
    }

    /** The first of some moments; null where there is none. */
    public static function first(?CarbonImmutable ...$moments): ?CarbonImmutable
    {
        $moments = array_filter($moments);

        return $moments === [] ? null : min($moments);
    }

    /** For JSON: ISO 8601 in UTC with milliseconds. */
    public static function json(?DateTimeInterface $at): ?string
    {
        return $at === null ? null : CarbonImmutable::instance($at)->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.v\Z');
    }

    /** For JSON, from a value as a raw query returns it. */
    public static function jsonFromSql(mixed $value): ?string
    {
        return is_string($value) && $value !== '' ? self::json(new CarbonImmutable($value, 'UTC')) : null;
    }
}
