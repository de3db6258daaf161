@php
    use Lantern\Core\Page\SectionKind;
    $tag = match ($section->kind) {
        SectionKind::Footer => 'footer',
        SectionKind::Header => 'header',
        default => 'section',
    };
    $beside = array_values(array_filter($section->blocks, fn ($b) => $section->arrangement->isBeside($b->kind)));
    $words = array_values(array_filter($section->blocks, fn ($b) => ! $section->arrangement->isBeside($b->kind)));
    $two = $beside !== [];
@endphp
<{{ $tag }} class="section k-{{ $section->kind->value }} {{ $section->arrangement->value }}{{ $two ? ' two' : '' }}{{ $ground->own ? ' ground' : '' }}{{ $ground->fill === 'tone' ? ' tone-'.$section->background->tone : '' }}{{ \App\Rendering\Marks::hiddenClass($section->hidden).\App\Rendering\Marks::entranceClass($section->entrance) }}"@if ($ground->style !== '') style="{{ $ground->style }}"@endif @if ($view->isAnchor($section->id)) id="s-{{ $section->id }}"@endif @if ($view->editing()) data-section="{{ $section->id }}"@if ($section->shared) data-shared="{{ $section->shared }}"@endif @endif>
@if ($ground->picture || $ground->video)
<div class="behind" aria-hidden="true">
@if ($ground->picture)
<img src="{{ $ground->picture->src() }}" srcset="{{ $ground->picture->srcset() }}" sizes="100vw" alt="" loading="lazy" style="object-position:{{ $ground->focus }}">
@endif
@if ($ground->video && ! $view->editing())
<video autoplay muted loop playsinline preload="none" style="object-position:{{ $ground->focus }}"><source src="{{ $ground->video->src() }}" type="{{ $ground->video->mime }}" media="(min-width:52rem) and (prefers-reduced-motion:no-preference)"></video>
@endif
@if ($ground->veil)
<span class="veil" style="{{ $ground->veil }}"></span>
@endif
</div>
@endif
<div class="inner">
@foreach (['words' => $words, 'beside' => $beside] as $column => $blocks)
@if ($blocks !== [] || $column === 'words')
<div class="{{ $column }}">
@foreach ($blocks as $block)
@include('site.blocks.'.$block->kind->value, ['at' => $view->marks($block)])
@endforeach
</div>
@endif
@endforeach
</div>
</{{ $tag }}>
