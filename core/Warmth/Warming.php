<?php

declare(strict_types=1);

namespace Lantern\Core\Warmth;

use Lantern\Core\People\Subscription;

/** How warm somebody was before they did something, and is since. */
final readonly class Warming
{
    private function __construct(public Band $from, public Band $to)
    {
    }

    /**
     * @param  int  $before  their score, from 0 to 100
     * @param  int  $after  likewise
     * @param  Subscription  $standing  whoever emails do not reach stays cold whatever they do
     */
    public static function of(int $before, int $after, Subscription $standing): self
    {
        return new self(Band::of($standing->isReached() ? $before : 0), Band::of($standing->isReached() ? $after : 0));
    }

    /** Were they neither warm nor hot, and are one of the two now? */
    public function becameWarm(): bool
    {
        return $this->from->least() < Band::Warm->least() && $this->to->least() >= Band::Warm->least();
    }
}
