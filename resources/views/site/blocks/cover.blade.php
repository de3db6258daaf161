@php($picture = $view->upload($block->field('picture')))
@if ($picture)
<div {!! $at->root('cover-picture') !!}>@include('site.blocks.img', ['sizes' => '(min-width:60rem) 21rem,80vw', 'alt' => $block->field('alt'), 'lazy' => false])</div>
@else
<div {!! $at->root('cover') !!}@if (! $view->editing()) aria-hidden="true"@endif>
<span class="cover-title"{!! $at->words('text') !!}>{{ $block->field('text') }}</span>
<span class="cover-by">{{ $plan->sender->business }}</span>
</div>
@endif
