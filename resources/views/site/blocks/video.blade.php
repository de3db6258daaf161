@php
    $video = $view->upload($block->field('video'));
    $poster = $view->upload($block->field('picture'));
    $url = $block->field('url');
@endphp
@if ($video || $url !== '' || $view->editing())
<div {!! $at->root('video') !!}>
@if ($video)
<video controls preload="none" playsinline @if ($poster) poster="{{ $poster->src() }}"@endif @if ($block->field('text') !== '') aria-label="{{ $block->field('text') }}"@endif><source src="{{ $video->src() }}" type="{{ $video->mime }}"></video>
@elseif ($url !== '' && $view->mayEmbed($url) && ! $view->editing())
<iframe src="{{ $url }}" title="{{ $block->field('text') }}" loading="lazy" allow="fullscreen; picture-in-picture" referrerpolicy="strict-origin-when-cross-origin"></iframe>
@elseif ($url !== '' && ! $view->editing())
<a class="button" href="{{ $url }}" rel="noopener">{{ $block->field('text') ?: $view->say('page.watch') }}</a>
@else
<div class="screen">@if ($poster)<img src="{{ $poster->src() }}" alt="">@endif<span>{{ $url !== '' ? parse_url($url, PHP_URL_HOST) : 'The video goes here' }}</span></div>
@endif
</div>
@endif
