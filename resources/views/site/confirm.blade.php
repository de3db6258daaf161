<!doctype html>
<html {{ $say->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<link rel="icon" href="data:,">
<title>{{ $title }}</title>
{!! $head !!}
</head>
<body style="{{ $style }}">
<main>
<section class="section k-opening boxed"><div class="inner"><div class="words">
<h1 class="heading">{{ $title }}</h1>
<div class="text"><p>{{ $words }}</p>
@if (($address ?? '') !== '')
<p><strong>{{ $address }}</strong></p>
@endif
@isset($said)
<p role="status">{{ $said }}</p>
@endisset
</div>
@isset($confirm)
<form class="form" method="post" action="{{ $confirm }}"><button class="button" type="submit">{{ $button }}</button></form>
@endisset
@isset($again)
<form class="form" method="post" action="{{ $again }}"><button class="button quiet" type="submit">{{ $say('confirm.again') }}</button></form>
@endisset
@isset($onward)
<p class="text"><a href="{{ $onward }}">{{ $say('notice.to.on') }}</a></p>
@endisset
</div></div></section>
</main>
</body>
</html>
