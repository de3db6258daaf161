<?php

declare(strict_types=1);

namespace Lantern\Core\Offers;

use Lantern\Core\Languages\Phrase;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * What an offer costs and how it is paid. Of several payments `amount` is each of them; where the buyer names the amount
 * it is the least that can be named.
 */
final readonly class Price
{
    public const MOST_PAYMENTS = 36;

    /**
     * @param  int  $payments  how many; 1 unless it is paid in several
     * @param  bool  $taxOnTop  is tax added to it? Else it is in it.
     */
    private function __construct(
        public PriceKind $kind,
        public Money $amount,
        public int $payments,
        public Interval $every,
        public bool $taxOnTop,
    ) {
    }

    /** @throws Invalid where nothing would be paid, or in fewer than two payments or more than {@see MOST_PAYMENTS} */
    public static function of(
        PriceKind $kind,
        Money $amount,
        int $payments = 1,
        Interval $every = Interval::Month,
        bool $taxOnTop = false,
        string $path = 'price',
    ): self {
        if ($kind === PriceKind::Payments && ($payments < 2 || $payments > self::MOST_PAYMENTS)) {
            throw Invalid::at("{$path}.payments", 'A plan has from 2 to '.self::MOST_PAYMENTS.' payments.');
        }
        if ($amount->minor < 0) {
            throw Invalid::at("{$path}.amount", 'A price cannot be below zero.');
        }

        return new self($kind, $kind === PriceKind::Free ? Money::zero($amount->currency) : $amount,
            $kind === PriceKind::Payments ? $payments : 1, $every, $taxOnTop && $kind !== PriceKind::Free);
    }

    public static function fromShape(Shape $shape): self
    {
        return self::of($shape->choice('kind', PriceKind::class), Money::fromShape($shape),
            $shape->integer('payments', 1, self::MOST_PAYMENTS, 1), $shape->choice('every', Interval::class, Interval::Month->value),
            $shape->flag('taxOnTop'), $shape->path('kind') === 'kind' ? 'price' : substr($shape->path('kind'), 0, -5));
    }

    /** Is the price itself still to be filled in? One that is paid cannot be nothing. */
    public function isOpen(): bool
    {
        return $this->amount->isZero() && ($this->kind === PriceKind::Once || $this->kind === PriceKind::Payments);
    }

    /** All of it together, where the buyer names no amount. */
    public function total(): Money
    {
        return $this->amount->times($this->payments);
    }

    public function currency(): Currency
    {
        return $this->amount->currency;
    }

    /**
     * As its owner reads it: “290 €”, “3 × 99 €”, “free”, “from 20 €”.
     *
     * @param  string  $language  a BCP 47 tag, for the amount
     */
    public function words(string $language = 'en'): string
    {
        $amount = $this->amount->words($language);
        $words = match ($this->kind) {
            PriceKind::Once => $amount,
            PriceKind::Payments => "{$this->payments} × {$amount}",
            PriceKind::Free => 'free',
            PriceKind::Named => $this->amount->isZero() ? 'as much as you like' : "from {$amount}",
        };

        return $words;
    }

    /** The same to a visitor, in their language. */
    public function phrase(): Phrase
    {
        return match ($this->kind) {
            PriceKind::Once => Phrase::of('price.once', ['amount' => $this->amount]),
            PriceKind::Payments => Phrase::of('price.payments', ['count' => $this->payments, 'amount' => $this->amount]),
            PriceKind::Free => Phrase::of('price.free'),
            PriceKind::Named => $this->amount->isZero() ? Phrase::of('price.any')
                : Phrase::of('price.from', ['amount' => $this->amount]),
        };
    }

    /** What a visitor should know of it beside the amount; null where there is nothing. */
    public function notePhrase(): ?Phrase
    {
        $tax = ['tax' => $this->taxOnTop ? 'yes' : 'no'];

        return match (true) {
            $this->kind === PriceKind::Once => Phrase::of('price.note.once', $tax),
            $this->kind === PriceKind::Payments => Phrase::of($this->every === Interval::Week ? 'price.note.week' : 'price.note.month',
                ['total' => $this->total()] + $tax),
            $this->taxOnTop => Phrase::of('price.note.tax'),
            default => null,
        };
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'kind' => Written::choice(PriceKind::class),
            'amount' => Written::whole(0, description: 'of each payment, in the smallest unit; the least where the buyer names it'),
            'currency' => Written::ref('currency'), 'payments' => Written::whole(2, self::MOST_PAYMENTS),
            'every' => Written::choice(Interval::class), 'taxOnTop' => Written::flag(),
        ], ['kind', 'amount', 'currency']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value] + $this->amount->toArray()
            + ($this->kind === PriceKind::Payments ? ['payments' => $this->payments, 'every' => $this->every->value] : [])
            + ($this->taxOnTop ? ['taxOnTop' => true] : []);
    }
}
