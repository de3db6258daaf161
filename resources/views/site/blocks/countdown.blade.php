@php($left = \App\Rendering\TimeLeft::until($block->field('until'), $plan->sender->timeZone))
@if ($left !== null || $view->editing())
<div {!! $at->root('countdown '.$block->style()) !!} role="timer" data-until="{{ $left?->iso }}">
<span class="countdown-words"{!! $at->words('text') !!}>{{ $block->field('text') }}</span>
<time datetime="{{ $left?->iso }}">{{ $left?->words ?? 'a moment you choose' }}</time>
@if ($block->style() === 'figures')
<span class="clock" aria-hidden="true">@foreach (['days', 'hours', 'min', 'sec'] as $unit)<span><b data-unit="{{ $unit }}">--</b>{{ $unit }}</span>@endforeach</span>
@endif
</div>
@endif
