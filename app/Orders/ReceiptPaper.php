<?php

declare(strict_types=1);

namespace App\Orders;

use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Receipt;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
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
        return Money::of($minor, Currency::of($this->content->text('currency', 3)))->words($this->language());
    }

    public function language(): string
    {
        return $this->content->text('language', Language::LONGEST, 'en');
    }

    public function voice(): SiteVoice
    {
        return Voices::ofFunnel($this->language(), $this->receipt->order->funnel);
    }

    /** A day as its reader reads it. */
    public function day(string $key): string
    {
        return $this->written($this->text($key));
    }

    private function written(string $day): string
    {
        $utc = new DateTimeZone('UTC');

        return $day === '' ? '' : TimeWords::day(new DateTimeImmutable($day, $utc), $utc, $this->language());
    }

    /** That it was paid, or paid back, and by what. A receipt of earlier times names that in English words. */
    public function paidBy(): Phrase
    {
        [$card, $method] = [$this->text('card'), $this->text('method')];

        return match (true) {
            $card !== '' => Phrase::of($this->refund() ? 'receipt.paid_back_card' : 'receipt.paid_card', ['ends' => $card]),
            $method !== '' => Phrase::of($this->refund() ? 'receipt.paid_back_by' : 'receipt.paid_by', ['method' => $method]),
            default => Phrase::of($this->refund() ? 'receipt.paid_back' : 'receipt.paid'),
        };
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
            'tax' => $this->money($l->integer('tax', 0, Money::MOST)), 'rate' => $this->voice()->say('receipt.rate',
                ['rate' => $l->integer('rate', 0, 10_000) / 100]),
            'discount' => $l->integer('discount', 0, Money::MOST, 0) === 0 ? '' : $this->money($l->integer('discount', 0, Money::MOST))],
            $this->content->groups('lines'));
    }

    /** @return list<array{due: string, amount: string}> what is to be paid later */
    public function later(): array
    {
        return array_map(fn (Shape $p): array => ['due' => $this->written($p->text('due', 10)),
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
