@php
    use App\Rendering\Slots;
@endphp
<div {!! $at->root('purchases-block') !!}>
@if ($view->editing())
<div class="purchases"><p{!! $at->words('text') !!}>{{ $block->field('text') }}</p></div>
@else
{!! Slots::name('purchases') !!}
@endif
</div>
