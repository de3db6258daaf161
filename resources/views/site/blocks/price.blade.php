<div {!! $at->root('price '.$block->style()) !!}>
@if ($block->field('name') !== '' || $view->editing())
<h3 class="price-name"{!! $at->words('name') !!}>{{ $block->field('name') }}</h3>
@endif
<p class="price-figure">
@if ($block->field('was') !== '' || $view->editing())
<s{!! $at->words('was') !!}>{{ $block->field('was') }}</s>
@endif
<strong{!! $at->words('price') !!}>{{ $block->field('price') }}</strong></p>
@if ($block->field('note') !== '' || $view->editing())
<p class="price-note"{!! $at->words('note') !!}>{{ $block->field('note') }}</p>
@endif
@if (trim(strip_tags($block->field('html'))) !== '' || $view->editing())
<div class="bullets ticks"{!! $at->words('html') !!}>{{ $view->words($block->field('html')) }}</div>
@endif
@if ($block->field('text') !== '' || $view->editing())
<a class="button main" {{ $view->href($block->field('url')) }}{!! $at->words('text') !!}>{{ $block->field('text') }}</a>
@endif
</div>
