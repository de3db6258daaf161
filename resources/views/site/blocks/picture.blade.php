@php($picture = $pictures[$block->field('picture')] ?? null)
@if ($picture)
<img class="picture" src="{{ $picture->src() }}" srcset="{{ $picture->srcset() }}" sizes="(min-width: 60rem) 34rem, 92vw" width="{{ $picture->width }}" height="{{ $picture->height }}" alt="{{ $block->field('alt') }}" @if ($editing) data-block="{{ $block->id }}" @endif>
@elseif ($editing)
<div class="picture empty" data-block="{{ $block->id }}">Choose a picture</div>
@endif
