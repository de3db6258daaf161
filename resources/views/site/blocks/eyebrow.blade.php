<p {!! $at->root('eyebrow') !!}{!! $at->words('text') !!}>{{ $block->field('text') }}</p>
