@php
    use App\Site\Slots;
    $form = $plan->form($block->field('form'));
    // The same form may stand on a page twice; each of its fields still needs an id of its own.
    $id = fn (string $field): string => 'f-'.$field.'-'.$block->id;
@endphp
@if ($form)
<form {!! $at->root('form') !!} method="post" action="{!! Slots::name('here') !!}" novalidate @if ($view->editing()) data-form="{{ $form->id }}" @endif>
{!! Slots::name('errors') !!}
@foreach ($form->fields as $field)
<p class="field">
<label for="{{ $id($field->kind->value) }}">{{ $field->label }}@if (! $field->required) <span class="optional">(if you like)</span>@endif</label>
<input id="{{ $id($field->kind->value) }}" name="{{ $field->kind->value }}" type="{{ $field->kind->inputType() }}" autocomplete="{{ $field->kind->autocomplete() }}" maxlength="{{ $field->kind->longest() }}" @if ($field->required) required @endif value="{!! Slots::name('value', $field->kind->value) !!}" {!! Slots::name('invalid', $field->kind->value) !!} @if ($view->editing()) tabindex="-1" @endif>
{!! Slots::name('error', $field->kind->value) !!}
</p>
@endforeach
<p class="not-for-people" aria-hidden="true"><label for="{{ $id('website') }}">Leave this empty</label><input id="{{ $id('website') }}" name="website" type="text" tabindex="-1" autocomplete="off"></p>
<input type="hidden" name="token" value="{!! Slots::name('token') !!}">
<input type="hidden" name="form" value="{{ $form->id }}">
<input type="hidden" name="zone" value=""><input type="hidden" name="visitor" value=""><input type="hidden" name="source" value="{!! Slots::name('source') !!}">
@if ($form->consent !== '' && $form->consentRequired)
<p class="consent"><label><input type="checkbox" name="consent" value="yes" required {!! Slots::name('consent') !!}> <span>{{ $form->consent }}</span></label>{!! Slots::name('error', 'consent') !!}</p>
@endif
<button class="button" type="submit" @if ($view->editing()) data-form-button="{{ $form->id }}" @endif>{{ $form->button }}</button>
@if ($form->consent !== '' && ! $form->consentRequired)
<p class="consent small">{{ $form->consent }}</p>
@endif
</form>
@endif
