<?php

declare(strict_types=1);

namespace Tests\Feature\Sales;

use App\Payments\NoAnswer;
use App\Payments\PaymentProvider;
use App\Payments\ProviderState;
use Illuminate\Http\Request;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Tests\TestCase;

/**
 * What every payment provider has to keep to. An adapter's test extends this, says which methods of payment do what at the
 * provider's own place for trying things out, and passes all of it.
 */
abstract class PaymentProviderContract extends TestCase
{
    abstract protected function provider(): PaymentProvider;

    /** A method of payment, as the card fields would hand it over, that is approved. */
    abstract protected function approved(): string;

    abstract protected function declined(): string;

    /** One that is charged, and the answer does not come; null where that cannot be brought about. */
    abstract protected function answerLost(): ?string;

    /** One that its buyer has to approve at their bank. */
    abstract protected function asksBank(): string;

    /** The buyer approves a payment at their bank, or refuses it. */
    abstract protected function decide(string $key, bool $approves): void;

    /** A call about a payment, as the provider sends it; with a signature that is not theirs if need be. */
    abstract protected function callAbout(string $key, bool $forged): Request;

    private const BACK = 'https://pages.example/back';

    private static function key(string $name): string
    {
        return 'ul_'.str_pad($name, 32, '0');
    }

    private static function euros(int $cents): Money
    {
        return Money::of($cents, Currency::of('EUR'));
    }

    public function test_a_key_is_one_payment_however_often_it_is_asked_for(): void
    {
        $provider = $this->provider();
        self::assertNull($provider->read(self::key('a')), 'nobody asked for it yet');
        $first = $provider->start(self::key('a'), self::euros(4_950), $this->approved(), 'First Season', self::BACK, true);
        $again = $provider->start(self::key('a'), self::euros(1), $this->declined(), 'x', self::BACK, false);

        self::assertSame([ProviderState::Paid, 4_950, 'EUR', false], [$first->state, $first->amount, $first->currency,
            $first->disputed]);
        self::assertEquals($first, $again);
        self::assertEquals($first, $provider->read(self::key('a')));
        self::assertEquals($first, $provider->confirm(self::key('a')));
        self::assertNotSame('', $first->cardEnds);
    }

    public function test_a_kept_method_is_charged_again(): void
    {
        $provider = $this->provider();
        $first = $provider->start(self::key('a'), self::euros(4_950), $this->approved(), 'First', self::BACK, true);
        $later = $provider->chargeAgain(self::key('b'), self::euros(300), $first->method, 'Second', self::BACK);

        self::assertSame([ProviderState::Paid, 300], [$later->state, $later->amount]);
        self::assertEquals($later, $provider->chargeAgain(self::key('b'), self::euros(300), $first->method, 'Second', self::BACK));
    }

    public function test_one_that_fails_says_why_in_a_sentence_and_stays_failed(): void
    {
        $provider = $this->provider();
        $failed = $provider->start(self::key('a'), self::euros(4_950), $this->declined(), 'x', self::BACK, true);

        self::assertSame(ProviderState::Failed, $failed->state);
        self::assertNotNull($failed->trouble);
        self::assertEquals($failed, $provider->start(self::key('a'), self::euros(4_950), $this->approved(), 'x', self::BACK, true));
        self::assertSame(ProviderState::Failed,
            $provider->start(self::key('b'), self::euros(4_950), 'nothing_like_a_method', 'x', self::BACK, true)->state);
    }

    public function test_one_whose_answer_is_lost_is_there_to_be_read(): void
    {
        $method = $this->answerLost();
        if ($method === null) {
            self::markTestSkipped('It cannot be brought about there.');
        }
        $provider = $this->provider();
        try {
            $provider->start(self::key('a'), self::euros(4_950), $method, 'x', self::BACK, true);
            self::fail('It answered.');
        } catch (NoAnswer) {
            self::assertSame([ProviderState::Paid, 4_950],
                [$provider->read(self::key('a'))?->state, $provider->read(self::key('a'))?->amount]);
        }
    }

    public function test_the_bank_is_asked_and_what_was_decided_there_holds(): void
    {
        $provider = $this->provider();
        foreach (['a' => true, 'b' => false] as $name => $approves) {
            $asked = $provider->start(self::key($name), self::euros(4_950), $this->asksBank(), 'x', self::BACK, true);
            self::assertSame(ProviderState::Bank, $asked->state);
            self::assertMatchesRegularExpression('#^https?://#', $asked->bankUrl);
            self::assertSame(ProviderState::Bank, $provider->confirm(self::key($name))->state);
            $this->decide(self::key($name), $approves);
            $this->decide(self::key($name), ! $approves);
            $answer = $provider->confirm(self::key($name));
            self::assertSame($approves ? ProviderState::Paid : ProviderState::Failed, $answer->state);
            self::assertSame('', $answer->bankUrl);
        }
    }

    public function test_refunds_are_one_for_each_key_and_never_more_than_was_paid(): void
    {
        $provider = $this->provider();
        $provider->start(self::key('a'), self::euros(4_950), $this->approved(), 'x', self::BACK, true);
        $provider->start(self::key('b'), self::euros(4_950), $this->declined(), 'x', self::BACK, true);
        self::assertNull($provider->readRefund(self::key('r')));
        $refund = $provider->refund(self::key('r'), self::key('a'), self::euros(2_000));
        self::assertSame([true, 2_000], [$refund->done, $refund->amount]);
        self::assertEquals($refund, $provider->refund(self::key('r'), self::key('a'), self::euros(2_000)));
        self::assertEquals($refund, $provider->readRefund(self::key('r')));
        foreach (['a' => 2_951, 'b' => 100, 'nothing' => 100] as $of => $amount) {
            $refused = $provider->refund(self::key("s{$of}"), self::key($of), self::euros($amount));
            self::assertFalse($refused->done, "{$amount} of {$of}");
            self::assertNotSame('', $refused->trouble);
        }
        self::assertTrue($provider->refund(self::key('t'), self::key('a'), self::euros(2_950))->done, 'all that is left');
    }

    public function test_calls_are_believed_only_with_the_providers_signature(): void
    {
        $provider = $this->provider();
        $provider->start(self::key('a'), self::euros(4_950), $this->approved(), 'x', self::BACK, true);

        self::assertSame(self::key('a'), $provider->call($this->callAbout(self::key('a'), forged: false))?->key);
        self::assertNull($provider->call($this->callAbout(self::key('a'), forged: true)));
        self::assertNull($provider->call(Request::create('/pay/calls/x', 'POST')));
    }
}
