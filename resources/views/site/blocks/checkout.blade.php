@php
    use App\Rendering\Slots;
    $offer = $plan->offer($block->field('offer'));
    $product = $offer ? $plan->product($offer->product) : null;
@endphp
<div {!! $at->root('checkout-block') !!}>
@if ($view->editing())
<div class="form checkout">
<div class="checkout-item"><p class="checkout-name"><strong>{{ $product?->name ?? 'Choose an offer at the right' }}</strong> <span>{{ $offer ? $view->say($offer->price->phrase()) : '' }}</span></p>
@if (($product?->line ?? '') !== '')<p class="checkout-line">{{ $product->line }}</p>@endif</div>
@foreach ($offer?->bumps ?? [] as $bump)
@if ($plan->offer($bump->offer))
<div class="bump"><label><input type="checkbox" tabindex="-1"> <span><strong>{{ $bump->text ?: $view->say('checkout.add', ['product' => $plan->product($plan->offer($bump->offer)->product)?->name ?? '']) }}</strong> <em>{{ $view->say($plan->offer($bump->offer)->price->phrase()) }}</em></span></label></div>
@endif
@endforeach
<p class="field"><label>{{ $view->say('form.email') }}<input type="email" tabindex="-1"></label></p>
<p class="field"><label>{{ $view->say('checkout.name') }}<input tabindex="-1"></label></p>
<div class="card-fields"><p class="card-sample">{{ $view->say('card.fields') }}</p></div>
<span class="button main"{!! $at->words('text') !!}>{{ $block->field('text') }}</span>
<p class="small-print"{!! $at->words('note') !!}>{{ $block->field('note') }}</p>
<div class="bullets ticks checkout-next"{!! $at->words('html') !!}>{{ $view->words($block->field('html')) }}</div>
</div>
@else
{!! Slots::name('checkout', $block->id) !!}
@endif
</div>
