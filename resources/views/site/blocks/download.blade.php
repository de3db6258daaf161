@php
    use App\Rendering\Slots;
    $gift = $plan->leadMagnet($block->field('leadMagnet'));
@endphp
@if ($gift)
<p {!! $at->root('download') !!}>
@if ($view->editing())
<a class="button"{!! $at->words('text') !!}>{{ $block->field('text') }}</a>
@if ($gift->kindAndSize() !== '') <span class="file-note">{{ $gift->kindAndSize() }}</span> @endif
@else
{!! Slots::name('download', $gift->id) !!}
@endif
</p>
@endif
