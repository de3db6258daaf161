<p {!! $at->root('act') !!}><a class="button {{ $block->style() }}" {{ $view->href($block->field('url')) }}{!! $at->words('text') !!}>{{ $block->field('text') }}</a></p>
