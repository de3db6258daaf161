@php($picture = $view->upload($block->field('picture')) ?? $view->upload($plan->logo ?? ''))
@if ($picture)
<p {!! $at->root('logo') !!}><img src="{{ $picture->src() }}" srcset="{{ $picture->srcset() }}" sizes="11rem" width="{{ $picture->width }}" height="{{ $picture->height }}" alt="{{ $plan->sender->business }}"></p>
@else
<p {!! $at->root('logo') !!}{!! $at->words('text') !!}>{{ $block->field('text') }}</p>
@endif
