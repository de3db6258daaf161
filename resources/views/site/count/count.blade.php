<div {{ $root }} role="timer"@if ($colours !== '') style="{{ $colours }}"@endif @foreach ($data as $name => $value) data-{{ $name }}="{{ $value }}"@endforeach data-units="{{ $units }}">
<span class="countdown-told">{{ $words }} <time datetime="{{ gmdate('Y-m-d\TH:i:s\Z', intdiv((int) $data['until'], 1000)) }}">{{ $moment }}</time></span>
@if ($style === 'line')
<span class="countdown-line" aria-hidden="true"><i data-share style="inline-size:{{ $share * 100 }}%"></i></span>
@endif
<span class="clock" aria-hidden="true">@foreach ($parts as $part)<span data-unit="{{ $part['unit'] }}">@if ($style === 'ring')<svg viewBox="0 0 36 36"><circle cx="18" cy="18" r="16"/><circle class="arc" cx="18" cy="18" r="16" pathLength="100" stroke-dasharray="{{ round($part['share'] * 100, 1) }} 100"/></svg>@endif<b>{{ $part['figure'] }}</b><i>{{ $part['label'] }}</i></span>@endforeach</span>
<span class="unseen" data-left>{{ $left }}</span>
<span class="countdown-over">{{ $over }}</span>
</div>
