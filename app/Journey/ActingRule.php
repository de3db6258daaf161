<?php

declare(strict_types=1);

namespace App\Journey;

use App\Models\RuleRun;

/** The rule that is just acting, if one is: what follows meanwhile follows from it. */
final class ActingRule
{
    private ?RuleRun $run = null;

    public function run(): ?RuleRun
    {
        return $this->run;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $what
     * @return T
     */
    public function during(RuleRun $run, callable $what): mixed
    {
        $before = $this->run;
        $this->run = $run;
        try {
            return $what();
        } finally {
            $this->run = $before;
        }
    }
}
