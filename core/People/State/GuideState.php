<?php

declare(strict_types=1);

namespace Lantern\Core\People\State;

use DateTimeImmutable;

/** How far somebody has come with a guide. */
final readonly class GuideState
{
    /**
     * @param  int  $share  in percent, of its pages
     * @param  array<string, DateTimeImmutable>  $read  when each page was read, by its id
     */
    public function __construct(public ?DateTimeImmutable $begun = null, public ?DateTimeImmutable $finished = null, public int $share = 0,
        public array $read = [])
    {
    }
}
