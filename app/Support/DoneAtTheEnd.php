<?php

declare(strict_types=1);

namespace App\Support;

/** What is kept in step with everything that happens, and can be made anew from it: where very much happens at once, at its end. */
trait DoneAtTheEnd
{
    private static bool $later = false;

    /**
     * Does something in which very much happens, and makes it all anew at its end.
     *
     * @param  callable(): mixed  $work
     */
    public function afterwards(callable $work): void
    {
        self::$later = true;
        try {
            $work();
        } finally {
            self::$later = false;
        }
        $this->rebuildAll();
    }

    abstract public function rebuildAll(): void;
}
