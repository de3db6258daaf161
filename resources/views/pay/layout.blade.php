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
<meta name="referrer" content="no-referrer">
<link rel="icon" href="data:,">
<title>{{ $title }}</title>
{!! \App\Rendering\SiteAssets::pay($look, $say->language()) !!}
</head>
<body style="{{ $style }}">
<main>
<section class="section left"><div class="inner"><div class="words my">
@yield('body')
</div></div></section>
</main>
</body>
</html>
