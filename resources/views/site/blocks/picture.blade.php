@php($picture = $view->upload($block->field('picture')))
@if ($picture)
<figure {!! $at->root('figure '.$block->style()) !!}>@if ($block->field('url') !== '' && ! $view->editing())<a {{ $view->href($block->field('url')) }}>@endif
@include('site.blocks.img', ['sizes' => $block->style() === 'round' ? '13rem' : ($block->style() === 'wide' ? '(min-width:70rem) 68rem,94vw' : '(min-width:60rem) 34rem,92vw'), 'alt' => $block->field('alt'), 'lazy' => $section->kind !== \Lantern\Core\Page\SectionKind::Opening])
@if ($block->field('url') !== '' && ! $view->editing())</a>@endif
@if ($block->field('text') !== '')
<figcaption{!! $at->words('text') !!}>{{ $block->field('text') }}</figcaption>
@endif
</figure>
@elseif ($view->editing())
<div {!! $at->root('figure empty '.$block->style()) !!} data-empty="picture"><span>A picture of yours</span></div>
@endif
