{{ $view->countdown($block, $at) }}
