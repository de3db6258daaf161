@php
    $tax = $quote->tax();
    $onTop = array_filter($quote->lines, fn ($l) => $l->taxOnTop) !== [];
@endphp
<dl>
@foreach ($quote->lines as $line)
<div><dt>{{ $line->name }}</dt><dd>{{ $line->price->words($language) }}</dd></div>
@endforeach
@if ($quote->discount()->isPositive())
<div class="sum-off"><dt>Code {{ $quote->coupon?->code ?: 'of your own' }} ({{ $quote->coupon?->words($language) }})</dt><dd>−{{ $quote->discount()->words($language) }}</dd></div>
@endif
@if ($tax->isPositive())
<div class="sum-tax"><dt>{{ $onTop ? 'Tax' : 'Tax included' }} ({{ $quote->lines[0]->rate->words() }})</dt><dd>{{ $tax->words($language) }}</dd></div>
@endif
<div class="sum-all"><dt>Total</dt><dd>{{ $quote->total()->words($language) }}</dd></div>
@if ($quote->hasPlan())
<div class="sum-now"><dt>To pay now</dt><dd>{{ $quote->dueNow()->words($language) }}</dd></div>
@endif
</dl>
