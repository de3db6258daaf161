@php
    use App\Site\Slots;
    $gift = $plan->leadMagnet($block->field('leadMagnet'));
@endphp
@if ($gift)
<p class="download">
@if ($editing)
<a class="button" data-block="{{ $block->id }}" data-field="text">{{ $block->field('text') }}</a>
@if ($gift->kindAndSize() !== '') <span class="file-note">{{ $gift->kindAndSize() }}</span> @endif
@else
{!! Slots::name('download', $gift->id) !!}
@endif
</p>
@endif
