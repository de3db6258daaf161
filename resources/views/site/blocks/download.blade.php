@php
    use App\Rendering\Slots;
    $leadMagnet = $plan->leadMagnet($block->field('leadMagnet'));
@endphp
@if ($leadMagnet)
<p {!! $at->root('download') !!}>
@if ($view->editing())
<a class="button"{!! $at->words('text') !!}>{{ $block->field('text') }}</a>
@if ($leadMagnet->guide) <span class="file-note">{{ $view->say('guide.read') }}</span> @endif
@if ($leadMagnet->kindAndSize($view->language()) !== '') <span class="file-note">{{ $leadMagnet->kindAndSize($view->language()) }}</span> @endif
@else
{!! Slots::name('download', $leadMagnet->id) !!}
@endif
</p>
@endif
