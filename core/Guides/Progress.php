<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/**
 * What is kept of how far somebody has come, and what of it is news. What was reached once stays reached, also where a guide gets more
 * pages afterwards.
 */
final readonly class Progress
{
    /** @param  list<string>  $read  ids of the pages that were read */
    public function __construct(public bool $begun = false, public array $read = [], public int $share = 0, public bool $finished = false)
    {
    }

    public static function of(Reading $reading): self
    {
        return new self($reading->begun, $reading->read(), $reading->share, $reading->finished);
    }

    /** @return list<string> ids of pages that were not read before */
    public function pagesSince(self $before): array
    {
        return array_values(array_diff($this->read, $before->read));
    }

    public function beginsSince(self $before): bool
    {
        return $this->begun && ! $before->begun;
    }

    public function finishesSince(self $before): bool
    {
        return $this->finished && ! $before->finished;
    }

    public function differsFrom(self $before): bool
    {
        return $this->beginsSince($before) || $this->finishesSince($before) || $this->pagesSince($before) !== [];
    }
}
