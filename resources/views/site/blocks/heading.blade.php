@php($level = $view->headingLevel($block))
<{{ $level }} {!! $at->root('heading') !!}{!! $at->words('text') !!}>{!! nl2br(e($block->field('text')), false) !!}</{{ $level }}>
