@php
    $url = $block->field('url');
    $size = $block->field('size') ?: 'middle';
@endphp
@if ($url !== '' || $view->editing())
<div {!! $at->root('embed size-'.$size) !!}>
@if ($url !== '' && $view->mayEmbed($url) && ! $view->editing())
<iframe src="{{ $url }}" title="{{ $block->field('text') }}" loading="lazy" allow="fullscreen; payment" referrerpolicy="strict-origin-when-cross-origin"></iframe>
@elseif ($url !== '' && ! $view->editing())
<a class="button" href="{{ $url }}" rel="noopener">{{ $block->field('text') ?: parse_url($url, PHP_URL_HOST) }}</a>
@else
<div class="screen"><span{!! $at->words('text') !!}>{{ $block->field('text') }}</span><small>{{ $url !== '' ? parse_url($url, PHP_URL_HOST) : 'Its address goes into the column' }}</small></div>
@endif
</div>
@endif
