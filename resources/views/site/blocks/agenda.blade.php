<ol {!! $at->root('agenda '.$block->style()) !!}>
@foreach ($block->items as $i => $item)
<li>
<span class="when"{!! $at->words('when', $i) !!}>{{ $item['when'] }}</span>
<div>
<h3{!! $at->words('title', $i) !!}>{{ $item['title'] }}</h3>
@if ($item['html'] !== '' || $view->editing())
<div class="small-text"{!! $at->words('html', $i) !!}>{{ $view->words($item['html']) }}</div>
@endif
</div>
</li>
@endforeach
</ol>
