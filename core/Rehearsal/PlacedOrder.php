<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Support\Rebuilt;

/** An order that was placed and paid. */
final readonly class PlacedOrder
{
    use Rebuilt;

    /**
     * @param  list<string>  $offers  ids of those in it
     * @param  bool  $theirs  is it known to be its person's doing? Otherwise it belongs to itself until a link in an email says so.
     * @param  list<array{page: string, offers: list<string>}>  $purchases  one for what was bought at once
     * @param  DateTimeImmutable|null  $receiptAt  when its receipt is due; null once it was sent
     * @param  list<string>  $onReceipts  ids of the offers that stand on one
     */
    public function __construct(
        public DateTimeImmutable $placedAt,
        public array $offers = [],
        public bool $theirs = true,
        public array $purchases = [],
        public ?DateTimeImmutable $receiptAt = null,
        public array $onReceipts = [],
    ) {
    }

    /** @param  list<string>  $offers */
    public function with(string $page, array $offers): self
    {
        return $this->changed(offers: [...$this->offers, ...$offers], purchases: [...$this->purchases, ['page' => $page,
            'offers' => $offers]]);
    }

    public function asTheirs(): self
    {
        return $this->changed(theirs: true);
    }

    public function receiptDue(DateTimeImmutable $at): self
    {
        return $this->changed(receiptAt: $this->receiptAt === null ? $at : min($at, $this->receiptAt));
    }

    public function receiptSent(): self
    {
        return $this->changed(receiptAt: null, onReceipts: $this->offers);
    }
}
