<?php

declare(strict_types=1);

namespace Lantern\Core\Forecast;

/** The owner's own rates: whether somebody goes on from a page, follows a link in an email, confirms, comes to a session, leaves. */
final class Rates
{
    public const CONFIRM = 'confirm';

    public const LEAVE = 'leave';

    private const USUAL = ['page' => 0.2, 'email' => 0.05, 'session' => 0.37, self::CONFIRM => 0.78, self::LEAVE => 0.003];

    /** @param  array<string, Belief>  $known  by key */
    public function __construct(private array $known = [])
    {
    }

    public static function page(string $id): string
    {
        return "page:{$id}";
    }

    public static function email(string $id): string
    {
        return "email:{$id}";
    }

    public static function session(string $webinar): string
    {
        return "session:{$webinar}";
    }

    public function of(string $key): Belief
    {
        return $this->known[$key] ??= new Belief(0, 0, self::USUAL[explode(':', $key)[0]] ?? 0.2);
    }

    /** The rate where nothing was counted. */
    public static function usual(string $key): float
    {
        return self::USUAL[explode(':', $key)[0]] ?? 0.2;
    }
}
