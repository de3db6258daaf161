<?php

declare(strict_types=1);

namespace App\Payments\Practice;

use App\Payments\NoAnswer;
use App\Payments\PaymentAnswer;
use App\Payments\PaymentProvider;
use App\Payments\ProviderCall;
use App\Payments\ProviderState;
use App\Payments\RefundAnswer;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Sleep;
use Lantern\Core\Money\Money;
use Lantern\Core\Orders\PaymentTrouble;
use Lantern\Core\Support\Validity;
use stdClass;

/** The stand-in for a payment provider, and the default: nothing real is ever charged. */
final readonly class PracticePayments implements PaymentProvider
{
    public const SIGNATURE = 'Practice-Signature';

    private const FRESH_SECONDS = 300;

    public function __construct(private PracticeBank $bank)
    {
    }

    public static function name(): string
    {
        return 'practice';
    }

    public function cardFields(string $language): string
    {
        return url('/pay/practice/card').'?language='.rawurlencode($language);
    }

    public function start(string $key, Money $amount, string $method, string $about, string $back, bool $keep): PaymentAnswer
    {
        return $this->charged($key, $amount, $method, $about, $back, $keep, false);
    }

    public function confirm(string $key): PaymentAnswer
    {
        return $this->read($key) ?? throw new NoAnswer('There is no such payment.');
    }

    public function chargeAgain(string $key, Money $amount, string $method, string $about, string $back): PaymentAnswer
    {
        return $this->charged($key, $amount, $method, $about, $back, true, true);
    }

    public function read(string $key): ?PaymentAnswer
    {
        $charge = $this->bank->find($key);

        return $charge === null ? null : $this->answer($charge);
    }

    public function refund(string $key, string $payment, Money $amount): RefundAnswer
    {
        $refund = $this->bank->refund($key, $payment, $amount->minor);

        return $refund === null ? new RefundAnswer(false, 0, 'The provider refused it: less than that is left of the payment.')
            : new RefundAnswer(true, (int) $refund->amount);
    }

    public function readRefund(string $key): ?RefundAnswer
    {
        $refund = $this->bank->findRefund($key);

        return $refund === null ? null : new RefundAnswer(true, (int) $refund->amount);
    }

    public function call(Request $request): ?ProviderCall
    {
        $body = (string) $request->getContent();
        [$at, $seal] = [...explode('.', (string) $request->headers->get(self::SIGNATURE), 2), ''];
        if (! ctype_digit($at) || strlen($at) > 12
            || ! Validity::near(CarbonImmutable::createFromTimestamp((int) $at), self::FRESH_SECONDS, CarbonImmutable::now())
            || ! hash_equals(self::seal($body, (int) $at), $seal)) {
            return null;
        }
        $call = json_decode($body, true);
        $text = fn (string $name): string => is_array($call) && is_string($call[$name] ?? null) ? mb_substr($call[$name], 0, 80) : '';

        return $text('id') === '' || $text('key') === '' ? null : new ProviderCall($text('id'), $text('key'));
    }

    public static function seal(string $body, int $at): string
    {
        return hash_hmac('sha256', "{$at}.{$body}", 'practice|'.config('app.key'));
    }

    private function charged(
        string $key,
        Money $amount,
        string $method,
        string $about,
        string $back,
        bool $keep,
        bool $again,
    ): PaymentAnswer {
        $known = $this->bank->find($key) !== null;
        $charge = $this->bank->charge($key, $amount->minor, $amount->currency->code, $method, $about, $back, $keep, $again);
        $behaviour = (string) ($this->bank->card((string) $charge->token)->behaviour ?? '');
        if ($behaviour === Behaviour::Slow->value && ! $known) {
            Sleep::for((int) (1000 * (float) config('lantern.practice.slow_seconds')))->milliseconds();
        }
        if ($behaviour === Behaviour::LosesAnswer->value && ! $known) {
            throw new NoAnswer('The answer was lost on its way.');
        }

        return $this->answer($charge);
    }

    private function answer(stdClass $charge): PaymentAnswer
    {
        $card = $this->bank->card((string) $charge->token);
        $trouble = (string) $charge->trouble;

        return new PaymentAnswer(match ((string) $charge->state) {
            'paid' => ProviderState::Paid,
            'bank' => ProviderState::Bank,
            'pending' => ProviderState::Pending,
            default => ProviderState::Failed,
        }, (int) $charge->amount, (string) $charge->currency, $trouble === '' ? null : PaymentTrouble::tryFrom($trouble)
            ?? PaymentTrouble::Declined,
            (string) $charge->state === 'bank' ? url("/pay/practice/bank/{$charge->key}/{$charge->seal}") : '',
            $charge->kept ? (string) $charge->token : '', $card === null ? '' : (string) $card->ends, (bool) $charge->disputed);
    }
}
