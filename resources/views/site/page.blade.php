@php
    use App\Site\Slots;
    $vars = fn (array $c): string => collect($c)->map(fn ($v, $k) => '--'.\Illuminate\Support\Str::kebab($k).':'.$v)->implode(';');
    $style = $vars($colours).";--corner:{$look->corner}px;--heading:'{$look->headingFont}';--heading-weight:{$look->headingWeight};--body:'{$look->bodyFont}'";
@endphp
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ \Lantern\Core\Email\MergeFields::fill($page->document->headline(), [], fn (string $s): string => $s) ?: $plan->sender->business }}</title>
<link rel="icon" href="data:,">
<meta name="theme-color" content="{{ $colours['paper'] }}">
@if ($page->address !== '')
<meta name="robots" content="noindex">
@else
<meta name="description" content="{{ \Illuminate\Support\Str::limit($page->document->blocksOf(\Lantern\Core\Page\BlockKind::Text)[0]?->words() ?? '', 150) }}">
@endif
{!! Slots::name('head') !!}
</head>
<body class="frame-{{ $look->frame }} @if ($look->capitals) capitals @endif @if ($backdrop) has-backdrop @endif" style="{{ $style }}" data-funnel="{{ $plan->id }}" data-page="{{ $page->id }}">
@if ($backdrop)
<div class="backdrop" aria-hidden="true"><img src="{{ $backdrop->src() }}" srcset="{{ $backdrop->srcset() }}" sizes="100vw" alt=""></div>
@endif
<main @if ($backdrop && ! $ownPaper) style="{{ $vars($sheet) }}" @endif>
@foreach ($page->document->sections as $section)
@php($tag = $section->kind === \Lantern\Core\Page\SectionKind::Footer ? 'footer' : 'section')
<{{ $tag }} class="section {{ $section->kind->value }} {{ $section->arrangement->value }}" @if ($editing) data-section="{{ $section->id }}" @endif>
<div class="inner">
@php($beside = collect($section->blocks)->partition(fn ($b) => in_array($b->kind, [\Lantern\Core\Page\BlockKind::Cover, \Lantern\Core\Page\BlockKind::Picture], true)))
<div class="words">
@foreach ($beside[1] as $block)
@include('site.blocks.'.$block->kind->value, ['first' => $loop->parent->first && $loop->first])
@endforeach
</div>
@if ($beside[0]->isNotEmpty())
<div class="beside">
@foreach ($beside[0] as $block)
@include('site.blocks.'.$block->kind->value)
@endforeach
</div>
@endif
</div>
</{{ $tag }}>
@endforeach
</main>
</body>
</html>
