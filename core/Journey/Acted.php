<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use Lantern\Core\Plan\Plan;

/** What a rule does for somebody, or that it does nothing for them. */
final readonly class Acted
{
    /**
     * @param  bool  $held  did its rules about the person hold?
     * @param  list<array{plan: Plan|null, effects: list<Effects\Effect>, words: string, trouble: string}>  $steps  one for each act, in
     *     order: in which funnel it happens, what is to be carried out, and what it is or why it cannot be, for the owner
     */
    public function __construct(public bool $held, public array $steps = [])
    {
    }
}
