@php($shown = array_filter($block->items, fn ($i) => $view->editing() || $view->upload($i['picture'] ?? '') || ($i['alt'] ?? '') !== ''))
@if ($shown !== [])
<ul {!! $at->root('logos '.$block->style()) !!}>
@foreach ($shown as $i => $item)
@php($picture = $view->upload($item['picture'] ?? ''))
<li>@if ($picture)<img src="{{ $picture->src() }}" width="{{ $picture->width }}" height="{{ $picture->height }}" alt="{{ $item['alt'] }}" loading="lazy">@else<span{!! $at->words('alt', $i) !!}>{{ $item['alt'] !== '' ? $item['alt'] : 'A name' }}</span>@endif</li>
@endforeach
</ul>
@endif
