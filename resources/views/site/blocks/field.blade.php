@php
    use App\Rendering\Slots;
    use Lantern\Core\People\FieldKind;
    $name = $field->key();
    $invalid = Slots::name('invalid', $name);
    $value = Slots::name('value', $name);
    $optional = $field->required ? '' : ' <span class="optional">'.e($view->say('form.optional')).'</span>';
    $desk = $view->editing() ? ' tabindex="-1"' : '';
    $required = $field->required ? 'required' : '';
    $rows = $field->kind->hasOptions() && ($field->kind === FieldKind::Choices || count($field->options) <= FieldKind::MOST_ROWS);
@endphp
@if ($field->kind === FieldKind::Hidden)
@elseif ($field->kind === FieldKind::Consent)
<p class="consent"><label><input type="checkbox" name="{{ $name }}" value="yes" {{ $required }} {!! Slots::name('pick', "{$name}-0") !!} {!! $invalid !!}{!! $desk !!}> <span>{{ $field->label }}</span></label>{!! Slots::name('error', $name) !!}</p>
@elseif ($rows)
<fieldset class="field picks"><legend>{{ $field->label }}{!! $optional !!}</legend>
@if ($field->hint !== '')
<span class="field-hint">{{ $field->hint }}</span>
@endif
@foreach ($field->options as $i => $option)
<label><input type="{{ $field->kind === FieldKind::Choices ? 'checkbox' : 'radio' }}" name="{{ $name }}{{ $field->kind === FieldKind::Choices ? '[]' : '' }}" value="{{ $option }}" {!! Slots::name('pick', "{$name}-{$i}") !!} @if ($i === 0) {!! $invalid !!} @endif {!! $desk !!}> <span>{{ $option }}</span></label>
@endforeach
{!! Slots::name('error', $name) !!}
</fieldset>
@else
<p class="field">
<label for="{{ $id($name) }}">{{ $field->label }}{!! $optional !!}</label>
@if ($field->hint !== '')
<span class="field-hint" id="h-{{ $id($name) }}">{{ $field->hint }}</span>
@endif
@if ($field->kind === FieldKind::LongText)
<textarea id="{{ $id($name) }}" name="{{ $name }}" rows="4" maxlength="{{ $field->kind->longest() }}" placeholder="{{ $field->placeholder }}" {{ $required }} {!! $invalid !!}{!! $desk !!}>{!! $value !!}</textarea>
@elseif ($field->kind === FieldKind::Choice)
<select id="{{ $id($name) }}" name="{{ $name }}" {{ $required }} {!! $invalid !!}{!! $desk !!}>
<option value="">{{ $field->placeholder === '' ? $view->say('form.choose') : $field->placeholder }}</option>
@foreach ($field->options as $i => $option)
<option value="{{ $option }}" {!! Slots::name('pick', "{$name}-{$i}") !!}>{{ $option }}</option>
@endforeach
</select>
@else
<input id="{{ $id($name) }}" name="{{ $name }}" type="{{ $field->kind->inputType() }}"@if (in_array($field->kind, [FieldKind::Email, FieldKind::Phone, FieldKind::Number], true)){{ $view->leftToRight() }}@endif @if ($field->kind === FieldKind::Number) inputmode="decimal" @endif autocomplete="{{ $field->kind->autocomplete() }}" maxlength="{{ $field->kind->longest() }}" @if ($field->placeholder !== '') placeholder="{{ $field->placeholder }}" @endif @if ($field->required) required @endif value="{!! $value !!}" {!! $invalid !!} @if ($view->editing()) tabindex="-1" @endif>
@endif
{!! Slots::name('error', $name) !!}
</p>
@endif
