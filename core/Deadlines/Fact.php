<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;

/** Something that happened to a deadline of somebody. Facts are written down and never changed. */
final readonly class Fact
{
    /**
     * @param  DateTimeImmutable  $at  in UTC
     * @param  DateTimeImmutable|null  $endsAt  of a start and of a move: the end that was promised
     * @param  bool  $anew  of a start: is it meant to begin again although it ran before?
     */
    public function __construct(
        public FactType $type,
        public DateTimeImmutable $at,
        public ?DateTimeImmutable $endsAt = null,
        public string $why = '',
        public bool $anew = false,
    ) {
    }
}
