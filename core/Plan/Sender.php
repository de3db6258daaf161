<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Support\Shape;

/** The business that a funnel speaks for, as its pages and emails show it. */
final readonly class Sender
{
    public function __construct(
        public string $business,
        public string $name,
        public string $address,
        public string $postalAddress,
        public string $timeZone,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('business', 200), $shape->text('name', 200), $shape->text('address', 254),
            $shape->text('postalAddress', 500), $shape->text('timeZone', 60));
    }

    /** Who speaks: the sender, or the business if it has no sender's name. */
    public function host(): string
    {
        return trim($this->name) === '' ? $this->business : $this->name;
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['business' => $this->business, 'name' => $this->name, 'address' => $this->address,
            'postalAddress' => $this->postalAddress, 'timeZone' => $this->timeZone];
    }
}
