@php
    use App\Site\Slots;
    $form = $plan->form($block->field('form'));
@endphp
@if ($form)
<form class="form" method="post" action="/{{ $plan->address }}{{ $page->address === '' ? '' : '/'.$page->address }}" novalidate @if ($editing) data-block="{{ $block->id }}" data-form="{{ $form->id }}" @endif>
{!! Slots::name('errors') !!}
@foreach ($form->fields as $field)
<p class="field">
<label for="f-{{ $field->kind->value }}">{{ $field->label }}@if (! $field->required) <span class="optional">(if you like)</span>@endif</label>
<input id="f-{{ $field->kind->value }}" name="{{ $field->kind->value }}" type="{{ $field->kind->inputType() }}" autocomplete="{{ $field->kind->autocomplete() }}" maxlength="{{ $field->kind->longest() }}" @if ($field->required) required @endif value="{!! Slots::name('value', $field->kind->value) !!}" {!! Slots::name('invalid', $field->kind->value) !!} @if ($editing) tabindex="-1" @endif>
{!! Slots::name('error', $field->kind->value) !!}
</p>
@endforeach
<p class="not-for-people" aria-hidden="true"><label for="f-website">Leave this empty</label><input id="f-website" name="website" type="text" tabindex="-1" autocomplete="off"></p>
<input type="hidden" name="token" value="{!! Slots::name('token') !!}">
<input type="hidden" name="form" value="{{ $form->id }}">
<input type="hidden" name="zone" value=""><input type="hidden" name="visitor" value=""><input type="hidden" name="source" value="{!! Slots::name('source') !!}">
@if ($form->consent !== '' && $form->consentRequired)
<p class="consent"><label><input type="checkbox" name="consent" value="yes" required {!! Slots::name('consent') !!}> <span>{{ $form->consent }}</span></label>{!! Slots::name('error', 'consent') !!}</p>
@endif
<button class="button" type="submit" @if ($editing) data-form-button="{{ $form->id }}" @endif>{{ $form->button }}</button>
@if ($form->consent !== '' && ! $form->consentRequired)
<p class="consent small">{{ $form->consent }}</p>
@endif
</form>
@endif
