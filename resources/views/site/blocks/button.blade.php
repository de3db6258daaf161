<p><a class="button" @if ($editing) data-block="{{ $block->id }}" data-field="text" @else href="{{ $block->field('url') }}" rel="noopener" @endif>{{ $block->field('text') }}</a></p>
