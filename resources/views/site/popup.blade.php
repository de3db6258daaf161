@php
    use App\Rendering\Slots;
    $frame = $popup->frame;
    $icon = $view->upload($plan->icon ?? '');
@endphp
<!doctype html>
<html {{ $view->voice->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $page->document->headline() ?: $plan->sender->business }}</title>
<link rel="icon" href="{{ $icon?->src() ?? 'data:,' }}">
<meta name="robots" content="noindex">
{!! Slots::name('head') !!}
</head>
<body class="{{ $ground->bodyClass() }}" style="{{ $ground->style }}" data-page="{{ $page->id }}">
@isset($under)
<div class="pop-under" inert aria-hidden="true" style="{{ $underStyle }}">
{{ $under }}
</div>
@endisset
<div class="{{ \App\Rendering\PopupFrame::classes($frame, $frame->placement) }}" data-stage>
<main class="pop-box">
@if ($view->editing())
<span class="pop-close" aria-hidden="true">×</span>
@endif
@foreach ($sections as $step => $section)
<!--step:{{ $step }}-->{!! $section !!}<!--/step-->
@endforeach
</main>
</div>
</body>
</html>
