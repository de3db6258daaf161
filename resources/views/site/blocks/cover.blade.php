@php($picture = $pictures[$block->field('picture')] ?? null)
@if ($picture)
<img class="picture cover-picture" src="{{ $picture->src() }}" srcset="{{ $picture->srcset() }}" sizes="(min-width: 60rem) 28rem, 80vw" width="{{ $picture->width }}" height="{{ $picture->height }}" alt="{{ $block->field('alt') }}" @if ($editing) data-block="{{ $block->id }}" @endif>
@else
<div class="cover" @if ($editing) data-block="{{ $block->id }}" @else aria-hidden="true" @endif>
<span class="cover-title" @if ($editing) data-block="{{ $block->id }}" data-field="text" @endif>{{ $block->field('text') }}</span>
<span class="cover-by">{{ $plan->sender->business }}</span>
</div>
@endif
