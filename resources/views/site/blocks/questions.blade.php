<div {!! $at->root('questions '.$block->style()) !!}>
@foreach ($block->items as $i => $item)
@if ($block->style() === 'folded')
<details @if ($view->editing()) open @endif><summary><h3{!! $at->words('title', $i) !!}>{{ $item['title'] }}</h3></summary><div class="small-text"{!! $at->words('html', $i) !!}>{{ $view->words($item['html']) }}</div></details>
@else
<div><h3{!! $at->words('title', $i) !!}>{{ $item['title'] }}</h3><div class="small-text"{!! $at->words('html', $i) !!}>{{ $view->words($item['html']) }}</div></div>
@endif
@endforeach
</div>
