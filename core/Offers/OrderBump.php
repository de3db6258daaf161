<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Another offer that can be ticked at the checkout, with the words beside the tick. */
final readonly class OrderBump
{
    public function __construct(public string $offer, public string $text = '')
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('offer', 40), trim($shape->text('text', 300, '')));
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($ids[$this->offer] ?? $this->offer, $this->text);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group(['offer' => Written::id(), 'text' => Written::text(300)], ['offer', 'text']);
    }

    /** @return array{offer: string, text: string} */
    public function toArray(): array
    {
        return ['offer' => $this->offer, 'text' => $this->text];
    }
}
