{{ $view->webinar($block, $at) }}
