@php
    $look = \Lantern\Core\Page\Look\Looks::get('linen');
    $style = \App\Rendering\LookStyle::whole($look, \Lantern\Core\Page\Look\Paint::of($look, \Lantern\Core\Page\Look\Background::paper()));
@endphp
<!doctype html>
<html {{ $say->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
@isset($more['refresh'])
<meta http-equiv="refresh" content="{{ $more['refresh'] }}">
@endisset
<link rel="icon" href="data:,">
<title>{{ $title }}</title>
{!! \App\Rendering\SiteAssets::head(\App\Rendering\PageAssets::ofLook($look, $say->language()->tag), false) !!}
</head>
<body style="{{ $style }}">
<main>
<section class="section k-opening boxed"><div class="inner"><div class="words">
<h1 class="heading">{{ $title }}</h1>
<div class="text">{{ $words }}</div>
@foreach ($more['links'] ?? [] as $href => $label)
<p><a class="button" href="{{ $href }}">{{ $label }}</a></p>
@endforeach
@isset($more['out'])
<p><a class="button" href="{{ $more['out'] }}" target="_top">{{ $say('notice.to.on') }}</a></p>
@endisset
@if ($more['askForLink'] ?? false)
<form class="form" method="post" action="/f/again" novalidate>
<input type="hidden" name="delivery" value="{{ $more['delivery'] ?? '' }}">
<p class="field"><label for="f-email">{{ $say('form.email') }}</label>
<input id="f-email" name="email" type="email"{{ $say->leftToRight() }} autocomplete="email" maxlength="254" required value="{{ $more['typed'] ?? '' }}" @isset($more['error']) aria-invalid="true" aria-describedby="e-email" @endisset>
@isset($more['error'])<span class="error" id="e-email">{{ $more['error'] }}</span>@endisset</p>
<button class="button" type="submit">{{ $say('notice.link_over.button') }}</button>
</form>
@endif
@isset($more['confirm'])
<form class="form" method="post" action="{{ $more['confirm'] }}">
@foreach ($more['less'] ?? [] as $value => $label)
<button class="button quiet" type="submit" name="choose" value="{{ $value }}">{{ $label }}</button>
@endforeach
<button class="button" type="submit" name="choose" value="all">{{ $say('notice.leave.button') }}</button></form>
@endisset
@isset($more['goOn'])
<form class="form" method="post" action="{{ $more['goOn'] }}"><button class="button" type="submit">{{ $say('notice.starts_now.button') }}</button></form>
@endisset
@isset($more['back'])
<form class="form" method="post" action="{{ $more['back'] }}"><p class="consent small">{{ $say('notice.left.mistake') }}</p><button class="button quiet" type="submit" name="choose" value="back">{{ $say('notice.left.back') }}</button></form>
@endisset
</div></div></section>
</main>
</body>
</html>
