<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use DateTimeImmutable;
use Lantern\Core\Deadlines\ForEveryone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** From when and until when a funnel is open, for everyone. The moment at which it closes is outside. */
final readonly class OpeningTimes
{
    public function __construct(public ?ForEveryone $opens = null, public ?ForEveryone $closes = null)
    {
    }

    /** @throws Invalid when it would close before it opens */
    public static function fromShape(?Shape $shape): self
    {
        $times = $shape === null ? new self
            : new self(ForEveryone::optional($shape->optionalGroup('opens')), ForEveryone::optional($shape->optionalGroup('closes')));
        if ($times->opens !== null && $times->closes !== null && $times->closes->at() <= $times->opens->at()) {
            throw Invalid::at($shape?->path('closes') ?? 'closes', 'It would close before it opens.');
        }

        return $times;
    }

    public function hasOpened(DateTimeImmutable $now): bool
    {
        return $this->opens === null || $now >= $this->opens->at();
    }

    public function hasClosed(DateTimeImmutable $now): bool
    {
        return $this->closes !== null && $now >= $this->closes->at();
    }

    /** In a sentence: "It opens on 4 December 2026 at 18:00, Europe/Oslo time, and never closes by itself." */
    public function words(): string
    {
        $moment = fn (?ForEveryone $m): string => $m === null ? ''
            : ' on '.(new DateTimeImmutable($m->moment))->format('j F Y \a\t H:i').", {$m->zone} time";

        return 'It opens'.($this->opens === null ? ' at once' : $moment($this->opens)).' and '
            .($this->closes === null ? 'does not close by itself.' : 'closes'.$moment($this->closes).'.');
    }

    /** @return array<string, array{moment: string, zone: string}> */
    public function toArray(): array
    {
        return array_filter(['opens' => $this->opens?->toArray(), 'closes' => $this->closes?->toArray()], is_array(...));
    }
}
