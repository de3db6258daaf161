<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/** One rate on the way to a goal. */
final readonly class PlanStep
{
    /**
     * @param  string  $key  stable; such as join, come, buy
     * @param  string  $label  of those who could, who did: "of visitors join"
     * @param  Rate  $rate  as it is today
     * @param  float|null  $changed  as it might be; null for as it is
     */
    public function __construct(public string $key, public string $label, public Rate $rate, public ?float $changed = null)
    {
    }
}
