@php
    use App\Rendering\Slots;
    $offer = $plan->offer($block->field('offer'));
    $product = $offer ? $plan->product($offer->product) : null;
@endphp
<div {!! $at->root('checkout-block') !!}>
@if ($view->editing())
<div class="form checkout">
<div class="checkout-item"><p class="checkout-name"><strong>{{ $product?->name ?? 'Choose an offer at the right' }}</strong> <span>{{ $offer?->price->words($page->settings->language) }}</span></p>
@if (($product?->line ?? '') !== '')<p class="checkout-line">{{ $product->line }}</p>@endif</div>
@foreach ($offer?->bumps ?? [] as $bump)
@if ($plan->offer($bump->offer))
<div class="bump"><label><input type="checkbox" tabindex="-1"> <span><strong>{{ $bump->text ?: 'Yes, add '.($plan->product($plan->offer($bump->offer)->product)?->name ?? '').'.' }}</strong> <em>{{ $plan->offer($bump->offer)->price->words($page->settings->language) }}</em></span></label></div>
@endif
@endforeach
<p class="field"><label>Email address<input type="email" tabindex="-1"></label></p>
<p class="field"><label>Name on the receipt<input tabindex="-1"></label></p>
<div class="card-fields"><p class="card-sample">Card number · valid until · security code</p></div>
<span class="button main"{!! $at->words('text') !!}>{{ $block->field('text') }}</span>
<p class="small-print"{!! $at->words('note') !!}>{{ $block->field('note') }}</p>
<div class="bullets ticks checkout-next"{!! $at->words('html') !!}>{{ $view->words($block->field('html')) }}</div>
</div>
@else
{!! Slots::name('checkout', $block->id) !!}
@endif
</div>
