@php
    use App\Rendering\Slots;
    $icon = $view->upload($plan->icon ?? '');
    $count = count($leaves);
    $value = $entry === null ? '/' : Slots::name('page', $entry);
@endphp
<!doctype html>
<html {{ $view->voice->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $guide->title }}</title>
<link rel="icon" href="{{ $icon?->src() ?? 'data:,' }}">
<meta name="theme-color" content="{{ \Lantern\Core\Page\Look\Paint::of($view->look, $page->document->background)->colours['paper'] }}">
<meta name="robots" content="noindex">
{!! Slots::name('head') !!}
</head>
<body class="{{ $ground->bodyClass() }} guide{{ $guide->saves ? '' : ' not-printed' }}" style="{{ $ground->style }}" data-funnel="{{ $plan->id }}" data-page="{{ $page->id }}"{!! Slots::name('seen') !!}{!! Slots::name('reading', $page->id) !!}>
<header class="guide-bar">
<details class="guide-contents">
<summary>{{ $view->say('guide.contents') }}</summary>
<nav aria-label="{{ $view->say('guide.contents') }}">
<p>{{ $view->say('guide.time', ['minutes' => $minutes]) }}</p>
<ol>
@foreach ($leaves as $leaf)
<!--leaf:{{ $leaf['id'] }}--><li><a href="#p-{{ $leaf['id'] }}">{{ $leaf['name'] }}</a>@if ($leaf['minutes'] > 1) <span>{{ $view->say('guide.time', ['minutes' => $leaf['minutes']]) }}</span>@endif</li><!--/leaf-->
@endforeach
</ol>
</nav>
</details>
<strong class="guide-title">{{ $guide->title }}</strong>
@if ($guide->saves)
<button type="button" class="guide-save" data-save hidden>{{ $view->say('guide.save') }}</button>
@endif
<progress class="guide-progress" max="{{ $count }}" value="1" aria-label="{{ $view->say('guide.progress') }}"></progress>
</header>
<main data-count="{{ $count }}" data-kept="{{ $view->say('guide.kept') }}" data-not-kept="{{ $view->say('guide.not_kept') }}" data-offline="{{ $view->say('guide.offline') }}">
@foreach ($leaves as $i => $leaf)
<!--leaf:{{ $leaf['id'] }}--><article class="leaf" id="p-{{ $leaf['id'] }}" data-leaf="{{ $leaf['id'] }}" aria-label="{{ $leaf['name'] }}" tabindex="-1"{!! Slots::name('leaf', $leaf['id']) !!}>
@foreach ($leaf['sections'] as $section)
{!! $section !!}
@endforeach
<nav class="turn" aria-label="{{ $view->say('guide.page', ['number' => $i + 1, 'count' => $count]) }}">
@if ($i > 0)
<a class="button quiet" rel="prev" href="#p-{{ $leaves[$i - 1]['id'] }}">{{ $view->say('guide.previous') }}</a>
@else
<span></span>
@endif
<span class="turn-place">{{ $view->say('guide.page', ['number' => $i + 1, 'count' => $count]) }}</span>
@if ($i + 1 < $count)
<a class="button" rel="next" href="#p-{{ $leaves[$i + 1]['id'] }}">{{ $view->say('guide.next') }}</a>
@else
<span></span>
@endif
</nav>
</article><!--/leaf-->
@endforeach
<!--leaf:locked--><article class="leaf locked" id="p-locked" data-leaf="locked" tabindex="-1"{!! Slots::name('leaf', 'locked') !!}>
<section class="section centred"><div class="inner"><div class="words">
<h2 class="heading">{{ $view->say('guide.locked') }}</h2>
<div class="text"><p>{{ $view->say('guide.locked_words') }}</p></div>
<p class="act"><a class="button main" href="{!! $value !!}">{{ $view->say('guide.locked_to') }}</a></p>
</div></div></section>
</article><!--/leaf-->
</main>
</body>
</html>
