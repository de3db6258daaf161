<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Payments\PaymentProvider;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Payments\Practice\PracticePayments;
use App\Payments\ProviderState;
use Illuminate\Http\Request;
use Illuminate\Support\Sleep;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;

/** Practice payments keep to the contract, and each practice card does what its row in docs/payments.md says. */
final class PracticePaymentsTest extends PaymentProviderContract
{
    private static function card(Behaviour $card): string
    {
        return app(PracticeBank::class)->keepCard($card);
    }

    protected function provider(): PaymentProvider
    {
        return app(PracticePayments::class);
    }

    protected function approved(): string
    {
        return self::card(Behaviour::Approves);
    }

    protected function declined(): string
    {
        return self::card(Behaviour::Declines);
    }

    protected function answerLost(): string
    {
        return self::card(Behaviour::LosesAnswer);
    }

    protected function asksBank(): string
    {
        return self::card(Behaviour::AsksBank);
    }

    protected function decide(string $key, bool $approves): void
    {
        app(PracticeBank::class)->decideAtBank($key, $approves);
    }

    protected function callAbout(string $key, bool $forged): Request
    {
        $body = (string) json_encode(['id' => 'call_1', 'type' => 'paid', 'key' => $key]);
        $at = now()->getTimestamp();
        $seal = $forged ? str_repeat('0', 64) : PracticePayments::seal($body, $at);

        return Request::create('/pay/calls/practice', 'POST', [], [], [], ['HTTP_PRACTICE_SIGNATURE' => "{$at}.{$seal}"], $body);
    }

    public function test_what_a_bank_takes_back_is_not_paid_back_as_well(): void
    {
        $bank = app(PracticeBank::class);
        $this->provider()->start('ul_a', Money::of(4_950, Currency::of('EUR')), self::card(Behaviour::Approves), 'x',
            'https://pages.example',
            true);
        self::assertTrue($bank->dispute('ul_a', true));
        self::assertNull($bank->refund('ul_r', 'ul_a', 100));
        self::assertTrue($bank->dispute('ul_a', false));
        self::assertNull($bank->refund('ul_r', 'ul_a', 4_951), 'no more than was paid');
        self::assertNull($bank->refund('ul_r', 'ul_a', 0));
        self::assertSame(4_950, (int) $bank->refund('ul_r', 'ul_a', 4_950)?->amount);
        self::assertNull($bank->refund('ul_s', 'ul_a', 1), 'nor twice');
        self::assertSame(4_950, (int) $bank->refund('ul_r', 'ul_a', 4_950)?->amount, 'once for each key');
    }

    public function test_each_card_does_what_the_documentation_says_of_it(): void
    {
        Sleep::fake();
        $docs = (string) file_get_contents(base_path('docs/payments.md'));
        $said = [];
        foreach (Behaviour::cases() as $card) {
            self::assertStringContainsString('| `'.trim(chunk_split($card->number(), 4, ' ')).'` |', $docs, $card->value);
            if ($card !== Behaviour::LosesAnswer) {
                $said[$card->value] = $this->provider()->start("ul_{$card->value}", Money::of(100, Currency::of('EUR')), self::card($card),
                    'x', 'https://pages.example', true)->state->name;
            }
        }
        $paid = ProviderState::Paid->name;
        self::assertSame(['approves' => $paid, 'declines' => 'Failed', 'no-funds' => 'Failed', 'expired' => 'Failed', 'asks-bank' => 'Bank',
            'slow' => $paid, 'tells-later' => 'Pending', 'noisy-calls' => $paid, 'refuses-later' => $paid, 'disputes' => $paid,
            'bank-later' => $paid], $said);
        Sleep::assertSleptTimes(1);
    }
}
