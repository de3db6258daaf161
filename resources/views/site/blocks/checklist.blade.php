@php
    use App\Rendering\Slots;
@endphp
<ul {!! $at->root('checklist') !!}>
@foreach ($block->items as $i => $item)
<li>@if ($view->editing())<span class="tick" aria-hidden="true"></span> <span{!! $at->words('title', $i) !!}>{{ $item['title'] ?? '' }}</span>@else<label><input type="checkbox" data-tick="{{ $block->id }}" data-item="{{ $i }}"{!! Slots::name('done', $block->id.'-'.$i) !!}> <span>{{ $item['title'] ?? '' }}</span></label>@endif</li>
@endforeach
</ul>
