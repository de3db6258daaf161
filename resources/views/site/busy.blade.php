<!doctype html>
<html {{ $say->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
@if (! $isForm)
<meta http-equiv="refresh" content="{{ $seconds }}">
@endif
<link rel="icon" href="data:,">
<title>{{ $say('notice.busy.title') }}</title>
{!! $head !!}
@if ($resends)
{!! \App\Rendering\SiteAssets::busy() !!}
@endif
</head>
<body style="{{ $style }}">
<main>
<section class="section k-opening boxed"><div class="inner"><div class="words">
<h1 class="heading">{{ $say('notice.busy.title') }}</h1>
@if ($isForm)
<div class="text">{{ $say('notice.busy.form') }}@if ($resends) <span data-again-says hidden>{{ $say('notice.busy.form_again') }}</span>@endif {{ $say('notice.busy.form_or') }}</div>
<form class="form" method="post" action="{{ $action }}" data-again="{{ $seconds }}">
@foreach ($typed as $name => $value)
<input type="hidden" name="{{ $name }}" value="{{ $value }}">
@endforeach
<input type="hidden" name="{{ $mark }}" value="1">
<button class="button" type="submit">{{ $say('notice.busy.send') }}</button>
</form>
@else
<div class="text">{{ $say('notice.busy.words') }}</div>
<p><a class="button" href="{{ $action }}">{{ $say('notice.busy.again') }}</a></p>
@endif
</div></div></section>
</main>
</body>
</html>
