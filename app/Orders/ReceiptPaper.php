<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Receipt;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Support\Shape;

/** What a receipt says, ready to be printed: amounts as its buyer reads them. */
final readonly class ReceiptPaper
{
    private Shape $content;

    public function __construct(public Receipt $receipt)
    {
        $this->content = Shape::of($receipt->content);
    }

    public function money(int $minor): string
    {
        return Money::of($minor, Currency::of($this->content->text('currency', 3)))->words($this->content->text('language', 12));
    }

    public function text(string $key): string
    {
        return $this->content->text($key, 500, '');
    }

    public function sum(string $key): int
    {
        return $this->content->integer($key, -Money::MOST, Money::MOST, 0);
    }

    public function seller(string $key): string
    {
        return $this->content->group('seller')->text($key, 1000, '');
    }

    public function buyer(string $key): string
    {
        return $this->content->group('buyer')->text($key, 1000, '');
    }

    /** @return list<array{name: string, total: string, tax: string, rate: string, discount: string}> */
    public function lines(): array
    {
        return array_map(fn (Shape $l): array => ['name' => $l->text('name', 300),
            'total' => $this->money($l->integer('total', 0, Money::MOST)),
            'tax' => $this->money($l->integer('tax', 0, Money::MOST)), 'rate' => TaxRate::of($l->integer('rate', 0, 10_000))->words(),
            'discount' => $l->integer('discount', 0, Money::MOST, 0) === 0 ? '' : $this->money($l->integer('discount', 0, Money::MOST))],
            $this->content->groups('lines'));
    }

    /** @return list<array{due: string, amount: string}> what is to be paid later */
    public function later(): array
    {
        return array_map(fn (Shape $p): array => ['due' => $p->text('due', 10),
            'amount' => $this->money($p->integer('amount', 0, Money::MOST))],
            $this->content->groups('later'));
    }

    public function orderNumber(): string
    {
        return (string) $this->content->integer('order', 0, PHP_INT_MAX, 0);
    }

    public function refund(): bool
    {
        return $this->receipt->kind === \Lantern\Core\Orders\ReceiptKind::Refund;
    }
}
