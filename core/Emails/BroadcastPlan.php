<?php

declare(strict_types=1);

namespace Lantern\Core\Emails;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * How a broadcast goes out beside its email and its readers. With another subject it begins as a split test: `share`
 * percent of the readers get one of the two, and after `hours` the better one goes to the rest. With `againDays` it
 * goes once more, that many days later, to those who neither opened it nor clicked.
 */
final readonly class BroadcastPlan
{
    public function __construct(
        public string $otherSubject = '',
        public int $share = 20,
        public int $hours = 4,
        public bool $byClicks = false,
        public int $againDays = 0,
        public string $againSubject = '',
    ) {
    }

    /** @throws Invalid */
    public static function fromShape(Shape $shape): self
    {
        return new self(trim($shape->text('otherSubject', 200, '')), $shape->integer('share', 2, 100, 20),
            $shape->integer('hours', 1, 168, 4),
            $shape->flag('byClicks'), $shape->integer('againDays', 0, 30, 0), trim($shape->text('againSubject', 200, '')));
    }

    public function isTest(): bool
    {
        return $this->otherSubject !== '';
    }

    /**
     * Which subject a reader gets in the test: `a`, `b`, or none yet. The same reader always gets the same; halves are
     * equal in the long run, and who is in the test does not depend on how large its share is chosen later.
     */
    public function variant(string $broadcast, string $person): ?string
    {
        if (! $this->isTest()) {
            return null;
        }
        // Two draws from one hash: whether they take part, and which of the two they get.
        $hash = hash('sha256', "{$broadcast}:{$person}");
        $part = (int) hexdec(substr($hash, 0, 8)) % 10_000;
        $side = (int) hexdec(substr($hash, 8, 8)) % 2;

        return $part < $this->share * 100 ? ($side === 0 ? 'a' : 'b') : null;
    }

    /** @return array<string, mixed> only what differs from a plain broadcast */
    public function toArray(): array
    {
        return array_filter(['otherSubject' => $this->otherSubject, 'byClicks' => $this->byClicks, 'againDays' => $this->againDays,
            'againSubject' => $this->againSubject],
            fn (string|int|bool $v): bool => $v !== '' && $v !== 0 && $v !== false)
            + ($this->share === 20 ? [] : ['share' => $this->share]) + ($this->hours === 4 ? [] : ['hours' => $this->hours]);
    }
}
