<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** The offer of a webinar, and when it appears in the room. */
final readonly class OfferMoment
{
    /**
     * @param  string  $offer  the id of what is offered
     * @param  int|null  $second  of the session or of the recording; null where the host shows it by hand
     */
    public function __construct(public string $offer, public ?int $second = null)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('offer', 40), $shape->has('second') ? $shape->integer('second', 0, 720 * 60) : null);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'offer' => Written::id(), 'second' => Written::whole(0, 720 * 60, 'at which it appears; without it the host shows it'),
        ], ['offer']);
    }

    /** @return array<string, int|string> */
    public function toArray(): array
    {
        return ['offer' => $this->offer] + ($this->second === null ? [] : ['second' => $this->second]);
    }
}
