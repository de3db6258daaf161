<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Days on which there is no session: from one to another, both included. */
final readonly class DayRange
{
    public function __construct(public string $from, public string $until)
    {
    }

    /** @throws Invalid */
    public static function fromShape(Shape $shape): self
    {
        $from = Recurrence::day($shape, 'from');
        $until = $shape->has('until') ? Recurrence::day($shape, 'until') : $from;
        if ($until < $from) {
            throw Invalid::at($shape->path('until'), 'It ends before it begins.');
        }

        return new self($from, $until);
    }

    public function has(string $day): bool
    {
        return $day >= $this->from && $day <= $this->until;
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group(['from' => Written::ref('day'), 'until' => Written::ref('day')], ['from']);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['from' => $this->from] + ($this->until === $this->from ? [] : ['until' => $this->until]);
    }
}
