@php
    $look = \Lantern\Core\Page\Look\Looks::get('linen');
    $style = \App\Rendering\LookStyle::whole($look, \Lantern\Core\Page\Look\Paint::of($look, \Lantern\Core\Page\Look\Background::paper()));
    $names = ['signups' => 'sign-up', 'registrations' => 'registration', 'sales' => 'sale'];
    $counted = fn (int $n, string $one): string => number_format($n)." {$one}".($n === 1 ? '' : 's');
    $share = fn (array $rate): string => $rate['rate'] === null ? '–' : number_format($rate['rate'] * 100).' % ('.number_format($rate['low'] * 100).' to '.number_format($rate['high'] * 100).')';
    $most = max(1, ...array_column($results['days'], 'visitors'));
    $sells = $results['whole']['orders'] > 0;
@endphp
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<link rel="icon" href="data:,">
<title>{{ $funnel->name }}: results</title>
{!! \App\Rendering\SiteAssets::head(\App\Rendering\PageAssets::ofLook($look, 'en'), false) !!}
<style>
.numbers{width:100%;border-collapse:collapse;margin-top:2rem;font-variant-numeric:tabular-nums}
.numbers th,.numbers td{padding:.4rem .6rem;text-align:end;border-bottom:1px solid var(--line);font-weight:400}
.numbers th{color:var(--soft);font-size:.85em}
.numbers th:first-child,.numbers td:first-child{text-align:start;padding-inline-start:0}
.days{width:100%;height:6rem;margin-top:1.5rem}
.days rect{fill:var(--accent)}
</style>
</head>
<body style="{{ $style }}">
<main>
<section class="section k-words wide"><div class="inner"><div class="words">
<h1 class="heading">{{ $funnel->name }}</h1>
<div class="text"><p>{{ $funnel->business->name }}, {{ $results['from'] }} to {{ $results['to'] }}</p>
<p>{{ $counted($results['whole']['visitors'], 'visitor') }} came, and there {{ $success['count'] === 1 ? 'was' : 'were' }} {{ $counted($success['count'], $names[$success['kind']]) }}@if ($sells), {{ $results['whole']['revenue'] }}@endif. In the time before {{ $counted($results['before']['visitors'], 'visitor') }} came.</p></div>
<svg class="days" viewBox="0 0 {{ count($results['days']) * 10 }} 100" preserveAspectRatio="none" role="img" aria-label="Visitors, day by day">
@foreach ($results['days'] as $i => $day)
<rect x="{{ $i * 10 + 1 }}" width="8" y="{{ 100 - round(100 * $day['visitors'] / $most) }}" height="{{ round(100 * $day['visitors'] / $most) }}"><title>{{ $day['day'] }}: {{ $day['visitors'] }}</title></rect>
@endforeach
</svg>
<table class="numbers">
<thead><tr><th>Page</th><th>Visitors</th><th>Went on</th><th>Sign-ups</th>@if ($sells)<th>Sales</th><th>Revenue</th>@endif</tr></thead>
<tbody>
@foreach ($results['steps'] as $step)
<tr><td>{{ $step['name'] }}</td><td>{{ number_format($step['visitors']) }}</td><td>{{ $share($step['goingOn']) }}</td><td>{{ number_format($step['signups']) }}</td>@if ($sells)<td>{{ number_format($step['sales']) }}</td><td>{{ $step['revenue'] }}</td>@endif</tr>
@endforeach
</tbody>
</table>
<table class="numbers">
<thead><tr><th>First came by</th><th>Visitors</th><th>Sign-ups</th>@if ($sells)<th>Sales</th><th>Revenue</th>@endif</tr></thead>
<tbody>
@foreach ($results['sources']['first'] as $source)
<tr><td>{{ $source['value'] === '' ? 'Direct' : $source['value'] }}</td><td>{{ number_format($source['visitors']) }}</td><td>{{ number_format($source['signups']) }}</td>@if ($sells)<td>{{ number_format($source['orders']) }}</td><td>{{ $source['revenue'] }}</td>@endif</tr>
@endforeach
</tbody>
</table>
</div></div></section>
</main>
</body>
</html>
