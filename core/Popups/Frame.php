<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

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
        public Placement $placement = Placement::Middle,
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
            $shape->choice('placement', Placement::class, Placement::Middle->value),
            $shape->choice('size', Size::class, Size::Medium->value),
            $shape->choice('backdrop', Backdrop::class, Backdrop::Dark->value),
            $shape->choice('entry', Entry::class, Entry::Fade->value),
            $shape->integer('ms', 0, self::SLOWEST, 200),
            $shape->has('phone') ? $shape->choice('phone', Placement::class) : null,
        );
    }

    /** The same, standing where a design has it. */
    public function in(Placement $placement, Size $size): self
    {
        return $this->changed(placement: $placement, size: $size,
            // What is placed in a page stands there on phones as well, and the other way round.
            phone: $this->phone === null || ($placement === Placement::Placed) !== ($this->phone === Placement::Placed) ? null
                : $this->phone);
    }

    public function on(bool $phone): Placement
    {
        return $phone ? $this->phone ?? $this->placement : $this->placement;
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'placement' => Written::choice(Placement::class), 'size' => Written::choice(Size::class),
            'backdrop' => Written::choice(Backdrop::class), 'entry' => Written::choice(Entry::class),
            'ms' => Written::whole(0, self::SLOWEST), 'phone' => Written::choice(Placement::class),
        ]);
    }

    /** @return array<string, string|int> */
    public function toArray(): array
    {
        return ['placement' => $this->placement->value, 'size' => $this->size->value, 'backdrop' => $this->backdrop->value,
            'entry' => $this->entry->value, 'ms' => $this->ms] + ($this->phone === null ? [] : ['phone' => $this->phone->value]);
    }
}
