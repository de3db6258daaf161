@php($tag = $block->style() === 'steps' ? 'ol' : 'ul')
<{{ $tag }} {!! $at->root('points '.$block->style()) !!}>
@foreach ($block->items as $i => $item)
<li class="point">
@if ($block->style() !== 'steps')
<span class="sign" aria-hidden="true">{!! \App\Rendering\Icons::svg($item['icon'] ?? '') !!}</span>
@endif
<div>
@if (($item['value'] ?? '') !== '' || ($view->editing() && $block->style() === 'bonuses'))
<span class="value"{!! $at->words('value', $i) !!}>{{ $item['value'] }}</span>
@endif
@if ($item['title'] !== '' || $view->editing())
<h3{!! $at->words('title', $i) !!}>{{ $item['title'] }}</h3>
@endif
@if ($item['html'] !== '' || $view->editing())
<div class="small-text"{!! $at->words('html', $i) !!}>{{ $view->words($item['html']) }}</div>
@endif
</div>
</li>
@endforeach
</{{ $tag }}>
