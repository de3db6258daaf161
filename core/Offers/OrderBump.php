<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Support\Shape;

/** Another offer that can be ticked at the checkout, with the words beside the tick. */
final readonly class OrderBump
{
    public function __construct(public string $offer, public string $words = '')
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('offer', 40), trim($shape->text('words', 300, '')));
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($ids[$this->offer] ?? $this->offer, $this->words);
    }

    /** @return array{offer: string, words: string} */
    public function toArray(): array
    {
        return ['offer' => $this->offer, 'words' => $this->words];
    }
}
