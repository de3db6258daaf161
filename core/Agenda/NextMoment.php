<?php

declare(strict_types=1);

namespace Lantern\Core\Agenda;

use DateTimeImmutable;

/** When something is due next. */
final readonly class NextMoment
{
    public function __construct(public Task $task, public DateTimeImmutable $at)
    {
    }
}
