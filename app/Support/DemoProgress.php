<?php

declare(strict_types=1);

namespace App\Support;

use Closure;

/** Says how far the demo is, in one line that changes. Where nobody watches, it says nothing. */
final class DemoProgress
{
    private string $what = '';

    private int $percent = -1;

    /**
     * @param  Closure(string): mixed|null  $write
     * @param  float  $began  seconds
     */
    public function __construct(private readonly ?Closure $write = null, private readonly float $began = 0.0)
    {
    }

    /** @param  int  $of  how many there are; 0 where it cannot be counted */
    public function at(string $what, int $done = 0, int $of = 0): void
    {
        $percent = $of === 0 ? 0 : intdiv(100 * $done, $of);
        if ($this->write === null || ($what === $this->what && $percent === $this->percent)) {
            return;
        }
        if (! self::isTerminal()) {
            if ($what !== $this->what || $percent % 25 === 0) {
                ($this->write)(sprintf("  %3d s  %s%s\n", $this->seconds(), $what, $of === 0 ? '' : ", {$percent} %"));
            }
        } else {
            ($this->write)(sprintf("\r\033[K  %3d s  %s%s", $this->seconds(), $what, $of === 0 ? '' : ", {$done} of {$of}"));
        }
        $this->what = $what;
        $this->percent = $percent;
    }

    public function done(): void
    {
        if ($this->write !== null) {
            ($this->write)((self::isTerminal() ? "\r\033[K" : '').sprintf("  %3d s  loaded\n", $this->seconds()));
        }
    }

    private function seconds(): int
    {
        return (int) round(microtime(true) - $this->began);
    }

    private static function isTerminal(): bool
    {
        return defined('STDOUT') && stream_isatty(STDOUT);
    }
}
