<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/** A moment that is the same for everybody: what the clocks of a named zone show. */
final readonly class ForEveryone
{
    private function __construct(public string $moment, public string $zone)
    {
    }

    /**
     * @param  string  $moment  such as `2026-12-20T18:00`
     * @param  string  $zone  an IANA name
     *
     * @throws Invalid for what is no moment or no zone
     */
    public static function of(string $moment, string $zone, string $path = 'moment', string $zonePath = 'zone'): self
    {
        if (! WallClock::isMoment($moment)) {
            throw Invalid::at($path, 'A moment is written like 2027-03-12T18:00.');
        }
        if (! WallClock::isZone($zone)) {
            throw Invalid::at($zonePath, 'Please choose a time zone from the list.');
        }

        return new self($moment, $zone);
    }

    /** @return self|null nothing where nothing is written */
    public static function optional(?Shape $shape): ?self
    {
        return $shape === null ? null
            : self::of($shape->text('moment', 20), $shape->text('zone', 60), $shape->path('moment'), $shape->path('zone'));
    }

    /** In UTC. A time that the clocks skip or show twice is read as {@see WallClock::at()} says. */
    public function at(): DateTimeImmutable
    {
        return WallClock::at(substr($this->moment, 0, 10), substr($this->moment, 11), new DateTimeZone($this->zone));
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'moment' => Written::ref('moment'), 'zone' => Written::text(60, 'an IANA name'),
        ], ['moment', 'zone'], 'a moment on the clocks of a named zone');
    }

    /** @return array{moment: string, zone: string} */
    public function toArray(): array
    {
        return ['moment' => $this->moment, 'zone' => $this->zone];
    }
}
