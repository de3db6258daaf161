<?php

declare(strict_types=1);

namespace App\Http\Site\Pay;

use App\Languages\SiteLanguage;
use App\Models\Business;
use App\Models\Payment;
use App\Payments\Practice\Behaviour;
use App\Payments\Practice\PracticeBank;
use App\Support\AnswerKind;
use App\Support\Input;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use stdClass;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** The pages of practice payments: the card fields that checkouts show in a frame, and the buyer's bank. */
final readonly class PracticeController
{
    public function __construct(private PracticeBank $bank, private SiteLanguage $language)
    {
    }

    public function card(Request $request): Response
    {
        $this->language->is(Input::text($request, 'language'), Business::query()->orderBy('id')->first());

        return $this->page('pay.practice-card', ['errors' => [], 'method' => '', 'typed' => []]);
    }

    public function keepCard(Request $request): Response
    {
        $voice = $this->language->is(Input::text($request, 'language'), Business::query()->orderBy('id')->first());
        $typed = ['number' => mb_substr(Input::text($request, 'number'), 0, 40),
            'until' => mb_substr(Input::text($request, 'until'), 0, 10),
            'code' => mb_substr(Input::text($request, 'code'), 0, 10)];
        $card = Behaviour::of((string) preg_replace('/\s+/', '', $typed['number']));
        $errors = array_filter([
            'number' => $card === null ? $voice->say('card.practice_only', [
                'number' => trim(chunk_split(Behaviour::Approves->number(), 4, ' '))]) : '',
            'until' => preg_match('~^(0[1-9]|1[0-2])\s*/\s*\d{2}$~D', $typed['until']) === 1 ? '' : $voice->say('card.wrong_until'),
            'code' => preg_match('/^\d{3}$/D', $typed['code']) === 1 ? '' : $voice->say('card.wrong_code'),
        ], fn (string $e): bool => $e !== '');

        return $this->page('pay.practice-card', ['errors' => $errors, 'typed' => $errors === [] ? [] : $typed,
            'method' => $errors === [] && $card !== null ? $this->bank->keepCard($card) : '']);
    }

    public function bank(string $key, string $seal): Response
    {
        $charge = $this->charge($key, $seal);
        $order = Payment::query()->with('order')->where('key', $key)->first()?->order;
        if ($order !== null) {
            $this->language->ofFunnel($order->language, $order->funnel);
        }

        return $charge === null ? $this->page('pay.practice-bank', ['charge' => null], 404)
            : $this->page('pay.practice-bank', ['charge' => $charge,
                'amount' => Money::of((int) $charge->amount,
                    Currency::of((string) $charge->currency))->words($this->language->voice()->language()->tag)]);
    }

    public function decide(Request $request, string $key, string $seal): AnyResponse
    {
        $charge = $this->charge($key, $seal);
        if ($charge === null) {
            return $this->page('pay.practice-bank', ['charge' => null], 404);
        }
        $this->bank->decideAtBank($key, Input::text($request, 'decision') === 'approve');

        return redirect()->away((string) $charge->back, 303);
    }

    private function charge(string $key, string $seal): ?stdClass
    {
        $charge = $this->bank->find($key);

        return $charge !== null && hash_equals((string) $charge->seal, $seal) ? $charge : null;
    }

    /** @param  array<string, mixed>  $data */
    private function page(string $view, array $data, int $status = 200): Response
    {
        return new Response(View::make($view, $data + ['say' => $this->language->voice()])->render(), $status,
            AnswerKind::Page->headers() + ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }
}
