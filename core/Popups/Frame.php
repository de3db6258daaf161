<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;

/** How a pop-up stands on the screen and comes in; what it says is no part of it. */
final readonly class Frame
{
    use Rebuilt;

    public const SLOWEST = 1500;

    /**
     * @param  int  $ms  how long coming in takes, in milliseconds
     * @param  Placement|null  $phone  where it stands on phones; null for the same as elsewhere
     */
    public function __construct(
        public Placement $stand = Placement::Middle,
        public Size $size = Size::Medium,
        public Backdrop $backdrop = Backdrop::Dark,
        public Entry $entry = Entry::Fade,
        public int $ms = 200,
        public ?Placement $phone = null,
    ) {
    }

    public static function fromShape(?Shape $shape): self
    {
        return $shape === null ? new self : new self(
            $shape->choice('stand', Placement::class, Placement::Middle->value),
            $shape->choice('size', Size::class, Size::Medium->value),
            $shape->choice('backdrop', Backdrop::class, Backdrop::Dark->value),
            $shape->choice('entry', Entry::class, Entry::Fade->value),
            $shape->integer('ms', 0, self::SLOWEST, 200),
            $shape->has('phone') ? $shape->choice('phone', Placement::class) : null,
        );
    }

    /** The same, standing where a design has it. */
    public function in(Placement $stand, Size $size): self
    {
        return $this->changed(stand: $stand, size: $size,
            // What is placed in a page stands there on phones as well, and the other way round.
            phone: $this->phone === null || ($stand === Placement::Placed) !== ($this->phone === Placement::Placed) ? null : $this->phone);
    }

    public function on(bool $phone): Placement
    {
        return $phone ? $this->phone ?? $this->stand : $this->stand;
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return ['stand' => $this->stand->value, 'size' => $this->size->value, 'backdrop' => $this->backdrop->value,
            'entry' => $this->entry->value, 'ms' => $this->ms] + ($this->phone === null ? [] : ['phone' => $this->phone->value]);
    }
}
