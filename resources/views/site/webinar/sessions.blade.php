<fieldset class="sessions" id="{{ $id }}" data-sessions data-asked="{{ $asked }}" data-begun="{{ $say('session.begun') }}" @if ($offered->fresh !== null) data-fresh="{{ $offered->fresh }}" @endif @if ($error !== '') aria-describedby="e-{{ $id }}" @endif>
<legend>{{ $text !== '' ? $text : $say('session.choose') }}</legend>
@if ($offered->isNone())
<p>{{ $say('session.none') }}</p>
@elseif (count($offered->choices) === 1)
@php($choice = $offered->choices[0])
<p class="session-one"><input type="hidden" name="webinar_session" value="{{ $choice->session->key }}" @if ($form !== '') form="{{ $form }}" @endif><strong>{{ $offered::time($choice, $zone, $say, $now) }}</strong>@if ($offered->places($choice)) <small>{{ $say($offered->places($choice)) }}</small>@endif</p>
@else
@foreach ($offered->choices as $choice)
<label class="session-choice"><input type="radio" name="webinar_session" value="{{ $choice->session->key }}" @if ($form !== '') form="{{ $form }}" @endif @checked($choice->session->key === $chosen)><span><strong>{{ $offered::time($choice, $zone, $say, $now) }}</strong>@if ($offered->places($choice)) <small>{{ $say($offered->places($choice)) }}</small>@endif</span></label>
@endforeach
@endif
@if ($error !== '')
<span class="error" id="e-{{ $id }}">{{ $error }}</span>
@endif
@if ($reader !== null && ! $offered->isNone())
<p class="one-click"><button class="button" type="submit" name="book" value="{{ $webinar->id }}" formnovalidate @if ($form !== '') form="{{ $form }}" @endif>{{ $reader->firstName === '' ? $say('session.keep') : $say('session.keep_name', ['name' => $reader->firstName]) }}</button> <small>{{ $say('session.known') }}</small></p>
@endif
</fieldset>
