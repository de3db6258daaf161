<div class="purchases">
<ul>
@foreach ($bought->items as $item)
<li><strong>{{ $item['name'] }}</strong>@if ($item['line'] !== '') <span>{{ $item['line'] }}</span>@endif
@if ($item['open'] !== null)<a class="button quiet" href="{{ $item['open'] }}">{{ $say('purchase.open') }}</a>@endif
@foreach ($item['files'] as $file)
<a class="button quiet" href="{{ $file['url'] }}" download>{{ $say('purchase.download', ['file' => $file['name']]) }}</a>
@endforeach
@if ($item['state'] !== \Lantern\Core\Orders\AccessState::Active)<em>{{ $say($item['state']->phrase()) }}</em>@endif
</li>
@endforeach
</ul>
<p class="small-print">{{ $say('purchase.summary', ['amount' => $bought->paid, 'number' => $bought->number, 'email' => $bought->email]) }}</p>
</div>
