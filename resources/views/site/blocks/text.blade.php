<div {!! $at->root('text') !!}{!! $at->words('html') !!}>{{ $view->words($block->field('html')) }}</div>
