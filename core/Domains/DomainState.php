<?php

declare(strict_types=1);

namespace Lantern\Core\Domains;

use DateTimeImmutable;

/** How a domain stands, by what was found of it until now. */
enum DomainState: string
{
    /** It never worked yet. */
    case Waiting = 'waiting';
    case Working = 'working';
    /** It worked before. It stays what it is, since visitors may see what we do not. */
    case Trouble = 'trouble';

    public static function of(?DomainFinding $last, bool $hasWorked): self
    {
        return match (true) {
            $last?->works() === true => self::Working,
            $hasWorked => self::Trouble,
            default => self::Waiting,
        };
    }

    /**
     * When it is looked at again by itself. What is being set up is looked at often, and at some time no more.
     *
     * @param  DateTimeImmutable|null  $looked  when it was looked at; null for never
     */
    public function nextLook(DateTimeImmutable $added, ?DateTimeImmutable $looked): ?DateTimeImmutable
    {
        if ($looked === null) {
            return $added;
        }
        $hours = ($looked->getTimestamp() - $added->getTimestamp()) / 3600;
        $minutes = match ($this) {
            self::Waiting => match (true) {
                $hours < 24 => 10,
                $hours < 24 * 30 => 6 * 60,
                default => null,
            },
            self::Trouble => 60,
            self::Working => 24 * 60,
        };

        return $minutes === null ? null : $looked->modify("+{$minutes} minutes");
    }

    public function isLookDue(DateTimeImmutable $added, ?DateTimeImmutable $looked, DateTimeImmutable $now): bool
    {
        $next = $this->nextLook($added, $looked);

        return $next !== null && $next <= $now;
    }

    /** Can links be made with it from now on? */
    public function canBePrimary(): bool
    {
        return $this === self::Working;
    }
}
