<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Support\Written;

/** From when and until when an offer or a coupon holds, by the owner's clock. The last moment is outside. */
final readonly class SaleWindow
{
    /** @param  string  $from  such as `2027-03-12T18:00`; '' for no beginning, likewise `until` */
    public function __construct(public string $from = '', public string $until = '')
    {
    }

    public static function always(): self
    {
        return new self('', '');
    }

    /** @throws Invalid for what is no moment, or when it ends before it begins */
    public static function of(string $from, string $until, string $path = ''): self
    {
        foreach (['from' => $from, 'until' => $until] as $name => $moment) {
            if ($moment !== '' && ! WallClock::isMoment($moment)) {
                throw Invalid::at($path.$name, 'A moment is written like 2027-03-12T18:00.');
            }
        }
        if ($from !== '' && $until !== '' && $until <= $from) {
            throw Invalid::at("{$path}until", 'It ends before it begins.');
        }

        return new self($from, $until);
    }

    public static function fromShape(Shape $shape): self
    {
        return self::of($shape->text('from', 20, ''), $shape->text('until', 20, ''),
            $shape->path('from') === 'from' ? '' : substr($shape->path('from'), 0, -4));
    }

    /** @return array<string, array<string, mixed>> what stands beside the other fields of what holds for a time */
    public static function properties(): array
    {
        return ['from' => Written::ref('moment'), 'until' => Written::ref('moment')];
    }

    public function hasBegun(DateTimeImmutable $now, DateTimeZone $zone): bool
    {
        return $this->from === '' || $now >= self::at($this->from, $zone);
    }

    public function isOver(DateTimeImmutable $now, DateTimeZone $zone): bool
    {
        return $this->until !== '' && $now >= self::at($this->until, $zone);
    }

    public function holds(DateTimeImmutable $now, DateTimeZone $zone): bool
    {
        return $this->hasBegun($now, $zone) && ! $this->isOver($now, $zone);
    }

    private static function at(string $moment, DateTimeZone $zone): DateTimeImmutable
    {
        return WallClock::at(substr($moment, 0, 10), substr($moment, 11), $zone);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return array_filter(['from' => $this->from, 'until' => $this->until], fn (string $m): bool => $m !== '');
    }
}
