@php
    use App\Rendering\Slots;
    $form = $plan->form($block->field('form'));
    // The same form may stand on a page twice; each of its fields still needs an id of its own.
    $id = fn (string $field): string => 'f-'.$field.'-'.$block->id;
    $steps = $form?->hasTwoSteps() ? [1, 2] : [1];
@endphp
@if ($form)
@if (count($steps) > 1)
<div class="form-steps {{ $view->editing() ? 'at-both' : '' }}{!! Slots::name('at', $form->id) !!}">
@endif
@foreach ($steps as $step)
<form {!! $at->root('form'.(count($steps) > 1 ? " step-{$step}" : '')) !!} method="post" action="{!! Slots::name('here') !!}" novalidate @if ($step === 1 && $form->webinar !== '') id="form-{{ $block->id }}" @endif @if ($view->editing()) data-form="{{ $form->id }}" @endif>
@if ($step === 1 || count($steps) > 1)
{!! Slots::name('errors') !!}
@endif
@if ($step === 1 && $form->webinar !== '' && ! $view->editing())
{!! Slots::name('sessions', $block->id) !!}
@endif
@foreach ($form->fieldsIn($step) as $field)
@include('site.blocks.field')
@endforeach
<p class="not-for-people" aria-hidden="true"><label for="{{ $id("website-{$step}") }}">{{ $view->say('form.empty') }}</label><input id="{{ $id("website-{$step}") }}" name="website" type="text" tabindex="-1" autocomplete="off"></p>
<input type="hidden" name="token" value="{!! Slots::name('token') !!}">
<input type="hidden" name="form" value="{{ $form->id }}">
@if ($step === 2)
<input type="hidden" name="step" value="2">
@endif
<input type="hidden" name="zone" value=""><input type="hidden" name="visitor" value=""><input type="hidden" name="source" value="{!! Slots::name('source') !!}">
@if ($step === 1 && $form->consent !== '' && $form->consentRequired)
<p class="consent"><label><input type="checkbox" name="consent" value="yes" required {!! Slots::name('ticked', 'consent') !!}> <span>{{ $form->consent }}</span></label>{!! Slots::name('error', 'consent') !!}</p>
@endif
@if ($step === 1 && $form->marketing !== '')
<p class="consent"><label><input type="checkbox" name="marketing" value="yes" {!! Slots::name('ticked', 'marketing') !!}> <span>{{ $form->marketing }}</span></label></p>
@endif
<button class="button" type="submit" @if ($view->editing()) data-form-button="{{ $form->id }}" @endif>{{ $step === 1 && count($steps) > 1 && $form->nextButton !== '' ? $form->nextButton : $form->button }}</button>
@if ($step === 1 && $form->consent !== '' && ! $form->consentRequired)
<p class="consent small">{{ $form->consent }}</p>
@endif
</form>
@endforeach
@if (count($steps) > 1)
</div>
@endif
@endif
