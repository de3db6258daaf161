<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
@if (! $isForm)
<meta http-equiv="refresh" content="{{ $seconds }}">
@endif
<link rel="icon" href="data:,">
<title>One moment, please</title>
{!! $head !!}
@if ($resends)
{!! \App\Rendering\SiteAssets::busy() !!}
@endif
</head>
<body style="{{ $style }}">
<main>
<section class="section k-opening boxed"><div class="inner"><div class="words">
<h1 class="heading">One moment, please</h1>
@if ($isForm)
<div class="text">There is a great deal going on here just now, and what you sent could not be taken yet. It is all still here.@if ($resends) <span data-again-says hidden>It goes out again by itself in a few seconds.</span>@endif Or press the button.</div>
<form class="form" method="post" action="{{ $action }}" data-again="{{ $seconds }}">
@foreach ($typed as $name => $value)
<input type="hidden" name="{{ $name }}" value="{{ $value }}">
@endforeach
<input type="hidden" name="{{ $mark }}" value="1">
<button class="button" type="submit">Send it again</button>
</form>
@else
<div class="text">There is a great deal going on here just now. This page opens by itself in a few seconds.</div>
<p><a class="button" href="{{ $action }}">Try again</a></p>
@endif
</div></div></section>
</main>
</body>
</html>
