<div {!! $at->root('seal') !!}><b{!! $at->words('text') !!}>{{ $block->field('text') }}</b><span{!! $at->words('note') !!}>{{ $block->field('note') }}</span></div>
