@php
    $tax = $quote->tax();
    $onTop = array_filter($quote->lines, fn ($l) => $l->taxOnTop) !== [];
@endphp
<dl>
@foreach ($quote->lines as $line)
<div><dt>{{ $line->name }}</dt><dd>{{ $line->price->spoken($say->language()) }}</dd></div>
@endforeach
@if ($quote->discount()->isPositive())
<div class="sum-off"><dt>{{ $quote->coupon === null ? '' : (($quote->coupon->code ?? '') === '' ? $say('checkout.off_own', ['what' => $quote->coupon->phrase()]) : $say('checkout.off', ['code' => $quote->coupon->code, 'what' => $quote->coupon->phrase()])) }}</dt><dd>−{{ $quote->discount()->spoken($say->language()) }}</dd></div>
@endif
@if ($tax->isPositive())
<div class="sum-tax"><dt>{{ $say($onTop ? 'checkout.tax' : 'checkout.tax_included', ['rate' => $quote->lines[0]->rate->hundredths / 100]) }}</dt><dd>{{ $tax->spoken($say->language()) }}</dd></div>
@endif
<div class="sum-all"><dt>{{ $say('checkout.total') }}</dt><dd>{{ $quote->total()->spoken($say->language()) }}</dd></div>
@if ($quote->hasPlan())
<div class="sum-now"><dt>{{ $say('checkout.due') }}</dt><dd>{{ $quote->dueNow()->spoken($say->language()) }}</dd></div>
@endif
</dl>
