<div {!! $at->root('text bullets '.$block->style()) !!}{!! $at->words('html') !!}>{{ $view->words($block->field('html')) }}</div>
