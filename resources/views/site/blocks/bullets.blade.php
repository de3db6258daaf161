<div class="text bullets" @if ($editing) data-block="{{ $block->id }}" data-field="html" @endif>{!! $block->field('html') !!}</div>
