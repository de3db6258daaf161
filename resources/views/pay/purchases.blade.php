<div class="purchases">
<ul>
@foreach ($bought->items as $item)
<li><strong>{{ $item['name'] }}</strong>@if ($item['line'] !== '') <span>{{ $item['line'] }}</span>@endif
@if ($item['open'] !== null)<a class="button quiet" href="{{ $item['open'] }}">Open it</a>@endif
@foreach ($item['files'] as $file)
<a class="button quiet" href="{{ $file['url'] }}" download>Download {{ $file['name'] }}</a>
@endforeach
@if ($item['state'] !== \Lantern\Core\Orders\AccessState::Active)<em>{{ $item['state']->label() }}</em>@endif
</li>
@endforeach
</ul>
<p class="small-print">Paid: {{ $bought->paid }}. Order {{ $bought->number }}. The receipt comes to {{ $bought->email }}, and the link in it opens everything you have bought.</p>
</div>
