@php
    use App\Rendering\Slots;
    use Lantern\Core\Emails\MergeFields;
    $settings = $page->settings;
    $entry = $page->address === '';
    $title = $settings->title ?: ($page->document->headline() ?: $plan->sender->business);
    $description = $settings->description ?: \Illuminate\Support\Str::limit(($page->document->blocksOf(\Lantern\Core\Page\Block\BlockKind::Text)[0] ?? null)?->words() ?? '', 150);
    $social = $view->upload($settings->picture ?? '');
    $icon = $view->upload($plan->icon ?? '');
@endphp
<!doctype html>
<html {{ $view->voice->attributes() }}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $title }}</title>
<link rel="icon" href="{{ $icon?->src() ?? 'data:,' }}">
<meta name="theme-color" content="{{ \Lantern\Core\Page\Look\Paint::of($view->look, $page->document->background)->colours['paper'] }}">
@if ($settings->hidden ?? ! $entry)
<meta name="robots" content="noindex">
@elseif (! $view->editing() && $plan->page($page->id) !== null)
<link rel="canonical" href="{!! Slots::name('whole', $page->id) !!}">
@endif
@if (($entry || $settings->description !== '') && $description !== '')
<meta name="description" content="{{ $description }}">
@endif
@if ($social && ! $view->editing())
<meta property="og:title" content="{{ $title }}">
<meta property="og:description" content="{{ $description }}">
<meta property="og:image" content="{!! Slots::name('site') !!}{{ $social->src() }}">
<meta property="og:type" content="website">
@endif
{!! Slots::name('head') !!}{!! Slots::name('code', 'head') !!}
</head>
<body class="{{ $ground->bodyClass() }}" style="{{ $ground->style }}" data-funnel="{{ $plan->id }}" data-page="{{ $page->id }}"@if ($variant !== '') data-variant="{{ $variant }}"@endif @unless ($view->editing()){!! Slots::name('popups') !!}{!! Slots::name('seen') !!}@endunless>
@if ($ground->picture)
<div class="backdrop" aria-hidden="true"><img src="{{ $ground->picture->src() }}" srcset="{{ $ground->picture->srcset() }}" sizes="100vw" alt="" style="object-position:{{ $ground->focus }}"></div>
@endif
<main>
@foreach ($sections as $section)
{!! $section !!}
@endforeach
</main>
@unless ($view->editing())
@foreach ($warnings as $warning)
<aside class="last-warning" role="status" hidden data-key="{{ $warning['id'] }}" data-minutes="{{ $warning['minutes'] }}"{!! Slots::name('until', $warning['id']) !!}>
@isset($warning['section'])
{{ $warning['section'] }}
@else
<p>{{ $warning['text'] }}</p>
@endisset
<button type="button" aria-label="{{ $view->say('page.close') }}">×</button>
</aside>
@endforeach
@endunless
{!! Slots::name('code', 'end') !!}
</body>
</html>
