<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Offers\SaleWindow;
use Lantern\Core\Sequences\SendWindow;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** How often a pop-up is shown to one person or browser, and when. */
final readonly class Limits
{
    /** Again and again: never, with each view, with the next visit, or some days after it was seen. */
    public const REPEATS = ['once', 'always', 'visit', 'days'];

    /**
     * @param  string  $repeat  one of {@see self::REPEATS}
     * @param  int  $days  after which it is shown again to whoever saw it, for `days`
     * @param  int  $most  how often in all; 0 for any number
     * @param  int  $afterClosed  days for which it stays away once it was closed; never shorter than after it was only seen
     * @param  int  $fromVisit  the visit from which on it is shown: 1 for the first
     * @param  int  $apart  minutes between any two pop-ups
     * @param  SaleWindow  $window  from and until when, by the owner's clock
     * @param  SendWindow  $hours  days of the week and hours, by the owner's clock
     */
    public function __construct(
        public string $repeat = 'days',
        public int $days = 7,
        public int $most = 0,
        public int $afterClosed = 30,
        public int $fromVisit = 1,
        public int $apart = 10,
        public SaleWindow $window = new SaleWindow,
        public SendWindow $hours = new SendWindow([1, 2, 3, 4, 5, 6, 7], 0, 24),
    ) {
    }

    /** @throws Invalid */
    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return new self;
        }
        $repeat = $shape->oneOf('repeat', self::REPEATS, 'days');
        $days = $shape->integer('days', 1, 365, 7);
        $closed = $shape->integer('afterClosed', 0, 730, 30);
        if ($repeat === 'days' && $closed < $days) {
            throw Invalid::at($shape->path('afterClosed'),
                'Whoever closed it is left alone for at least as long as whoever only saw it: '.$days.($days === 1 ? ' day.' : ' days.'));
        }

        return new self($repeat, $days, $shape->integer('most', 0, 100, 0), $closed, $shape->integer('fromVisit', 1, 100, 1),
            $shape->integer('apart', 0, 1440, 10), SaleWindow::fromShape($shape), SendWindow::fromShape($shape->optionalGroup('hours')));
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'repeat' => Written::choice(self::REPEATS), 'days' => Written::whole(1, 365), 'most' => Written::whole(1, 100),
            'afterClosed' => Written::whole(0, 730, 'days'), 'fromVisit' => Written::whole(2, 100),
            'apart' => Written::whole(0, 1440, 'minutes between any two'), 'hours' => Written::ref('window'),
        ] + SaleWindow::properties(), ['repeat']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['repeat' => $this->repeat] + ($this->repeat === 'days' ? ['days' => $this->days] : [])
            + ($this->most === 0 ? [] : ['most' => $this->most]) + ['afterClosed' => $this->afterClosed]
            + ($this->fromVisit === 1 ? [] : ['fromVisit' => $this->fromVisit]) + ['apart' => $this->apart]
            + $this->window->toArray() + ($this->hours->isAlways() ? [] : ['hours' => $this->hours->toArray()]);
    }
}
