@php
    use App\Rendering\Slots;
    $offer = $plan->offer($block->field('offer'));
    $product = $offer ? $plan->product($offer->product) : null;
    $note = $block->field('note') === '' && $offer ? ($offer->price->notePhrase() === null ? '' : $view->say($offer->price->notePhrase())) : $block->field('note');
    $sellsHere = $offer && $page->role->isExtraOffer() && $plan->offerOn($page)?->id === $offer->id;
@endphp
<div {!! $at->root('price '.$block->style()) !!}>
@if ($product)
<h3 class="price-name">{{ $product->name }}</h3>
@elseif ($block->field('name') !== '' || $view->editing())
<h3 class="price-name"{!! $at->words('name') !!}>{{ $block->field('name') }}</h3>
@endif
<p class="price-figure">
@if ($block->field('was') !== '' || $view->editing())
<s{!! $at->words('was') !!}>{{ $block->field('was') }}</s>
@endif
@if ($offer)
<strong>{{ $view->say($offer->price->phrase()) }}</strong></p>
@else
<strong{!! $at->words('price') !!}>{{ $block->field('price') }}</strong></p>
@endif
@if ($note !== '' || $view->editing())
@if ($offer && $block->field('note') === '')
<p class="price-note">{{ $note }}</p>
@else
<p class="price-note"{!! $at->words('note') !!}>{{ $note }}</p>
@endif
@endif
@if (trim(strip_tags($block->field('html'))) !== '' || $view->editing())
<div class="bullets ticks"{!! $at->words('html') !!}>{{ $view->words($block->field('html')) }}</div>
@endif
@if ($sellsHere && ! $view->editing())
{!! Slots::name('extra', $block->id) !!}
@elseif ($block->field('text') !== '' || $view->editing())
<a class="button main" {{ $view->href($block->field('url')) }}{!! $at->words('text') !!}>{{ $block->field('text') }}</a>
@endif
</div>
