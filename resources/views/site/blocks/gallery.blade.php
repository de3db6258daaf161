@php($shown = array_filter($block->items, fn ($i) => $view->editing() || $view->upload($i['picture'] ?? '')))
@if ($shown !== [])
<ul {!! $at->root('gallery '.$block->style()) !!}>
@foreach ($shown as $i => $item)
@php($picture = $view->upload($item['picture'] ?? ''))
<li>
@if ($picture)
@include('site.blocks.img', ['sizes' => '(min-width:60rem) 22rem,46vw', 'alt' => $item['alt'] ?? ''])
@if ($item['text'] !== '')
<span class="caption"{!! $at->words('text', $i) !!}>{{ $item['text'] }}</span>
@endif
@else
<div class="figure empty" data-empty="picture" data-item="{{ $i }}"><span>A picture</span></div>
@endif
</li>
@endforeach
</ul>
@endif
