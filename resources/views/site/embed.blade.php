@php
    $id = fn (string $field): string => 'lantern-'.$field.'-'.$form->id;
@endphp
<div class="embed" {{ $view->voice->attributes() }} style="{{ $style }}">
<form class="form" method="post" novalidate>
<p class="error summary" role="alert" hidden></p>
@foreach ($form->fields as $field)
@include('site.blocks.field')
@endforeach
<p class="not-for-people" aria-hidden="true"><label for="{{ $id('website') }}">{{ $view->say('form.empty') }}</label><input id="{{ $id('website') }}" name="website" type="text" tabindex="-1" autocomplete="off"></p>
@if ($form->consent !== '' && $form->consentRequired)
<p class="consent"><label><input type="checkbox" name="consent" value="yes" required> <span>{{ $form->consent }}</span></label></p>
@endif
@if ($form->marketing !== '')
<p class="consent"><label><input type="checkbox" name="marketing" value="yes"> <span>{{ $form->marketing }}</span></label></p>
@endif
<button class="button" type="submit">{{ $form->button }}</button>
@if ($form->consent !== '' && ! $form->consentRequired)
<p class="consent small">{{ $form->consent }}</p>
@endif
</form>
</div>
