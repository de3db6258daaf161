@php($level = $first ? 'h1' : 'h2')
<{{ $level }} class="heading" @if ($editing) data-block="{{ $block->id }}" data-field="text" @endif>{!! nl2br(e($block->field('text')), false) !!}</{{ $level }}>
