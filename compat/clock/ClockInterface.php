<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

use DateTimeZone;
use Psr\Clock\ClockInterface as PsrClockInterface;

/** The shape of a clock that the date library implements. See ../README.md. */
interface ClockInterface extends PsrClockInterface
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(DateTimeZone|string $timezone): static;
}
