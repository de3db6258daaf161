@php
    $value = fn (string $name): string => is_string($typed[$name] ?? null) ? $typed[$name] : '';
@endphp
<form id="buy" class="form checkout" method="post" action="{{ $here }}" novalidate data-checkout data-fields="{{ $fields }}" data-frame="{{ $say('card.fields') }}" data-silent="{{ $say('checkout.card_silent') }}" data-later="{{ $say('checkout.sum_later') }}">
@isset($errors['form'])<p class="error summary" role="alert">{{ $errors['form'] }}</p>@endisset
<div class="checkout-item"><p class="checkout-name"><strong>{{ $product->name }}</strong> <span>{{ $say($offer->price->phrase()) }}</span></p>
@if ($product->line !== '')<p class="checkout-line">{{ $product->line }}</p>@endif
@if ($offer->price->notePhrase())<p class="checkout-line">{{ $say($offer->price->notePhrase()) }}</p>@endif
</div>
@if ($named)
<p class="field"><label for="p-amount">{{ $say('checkout.amount', ['currency' => $offer->price->currency()->code]) }}</label><input id="p-amount" name="amount"{{ $say->leftToRight() }} inputmode="decimal" autocomplete="off" maxlength="40" value="{{ $value('amount') !== '' ? $value('amount') : $offer->price->amount->plain() }}" @isset($errors['amount']) aria-invalid="true" aria-describedby="pe-{{ 'amount' }}" @endisset>@include('pay.error', ['name' => 'amount'])</p>
@endif
@foreach ($bumps as $bump)
<div class="bump"><label><input type="checkbox" name="bump[]" value="{{ $bump['offer']->id }}" @checked($bump['ticked'])> <span><strong>{{ $bump['text'] }}</strong> {{ $bump['product']->line }} <em>{{ $bump['price'] }}</em></span></label>@include('pay.error', ['name' => 'bump-'.$bump['offer']->id])</div>
@endforeach
<p class="field"><label for="p-email">{{ $say('form.email') }}</label><input id="p-email" name="email" type="email"{{ $say->leftToRight() }} autocomplete="email" maxlength="254" required value="{{ $value('email') }}" @isset($errors['email']) aria-invalid="true" aria-describedby="pe-{{ 'email' }}" @endisset>@include('pay.error', ['name' => 'email'])</p>
<p class="field"><label for="p-name">{{ $say('checkout.name') }} <span class="optional">{{ $say('form.optional') }}</span></label><input id="p-name" name="name" autocomplete="name" maxlength="200" value="{{ $value('name') }}" @isset($errors['name']) aria-invalid="true" aria-describedby="pe-{{ 'name' }}" @endisset>@include('pay.error', ['name' => 'name'])</p>
@if ($coupons || $value('coupon') !== '')
<details class="coupon" @if ($value('coupon') !== '' || isset($errors['coupon'])) open @endif><summary>{{ $say('checkout.code_question') }}</summary>
<p class="field"><label for="p-coupon">{{ $say('checkout.code') }}</label><span class="coupon-row"><input id="p-coupon" name="coupon" autocomplete="off" autocapitalize="characters" spellcheck="false" maxlength="60" value="{{ $value('coupon') }}" @isset($errors['coupon']) aria-invalid="true" aria-describedby="pe-{{ 'coupon' }}" @endisset><button class="button quiet" type="submit" name="check" value="1">{{ $say('checkout.use') }}</button></span>@include('pay.error', ['name' => 'coupon'])</p></details>
@endif
<div class="sums" data-sums aria-live="polite">{{ $sums['sums'] }}</div>
@if ($bumps !== [] || $named)
<p class="without-script"><button class="button quiet" type="submit" name="check" value="1">{{ $say('checkout.update') }}</button></p>
@endif
<div class="card-fields" data-card @if (! $sums['card']) hidden @endif><noscript><p class="error">{{ $say('checkout.no_script') }}</p></noscript></div>
@include('pay.error', ['name' => 'card'])
@if ($marketing !== '')
<p class="consent"><label><input type="checkbox" name="marketing" value="yes" @checked($value('marketing') === 'yes')> <span>{{ $marketing }}</span></label></p>
@endif
<p class="not-for-people" aria-hidden="true"><label for="p-website">{{ $say('form.empty') }}</label><input id="p-website" name="website" type="text" tabindex="-1" autocomplete="off"></p>
<input type="hidden" name="checkout" value="1"><input type="hidden" name="offer" value="{{ $offer->id }}"><input type="hidden" name="token" value="{{ $token }}"><input type="hidden" name="shown" value="{{ $shown }}"><input type="hidden" name="method" value=""><input type="hidden" name="zone" value=""><input type="hidden" name="visitor" value=""><input type="hidden" name="source" value="{{ $source }}">
<button class="button main" type="submit" data-pay><span data-pay-words>{{ $button }}</span>@if ($sums['card'])<span class="pay-sum" data-due> · {{ $sums['due'] }}</span>@else<span class="pay-sum" data-due></span>@endif</button>
@if ($note !== '')<p class="small-print">{{ $note }}</p>@endif
@if (trim(strip_tags($next->html)) !== '')
<div class="bullets ticks checkout-next">{{ $next }}</div>
@endif
</form>
