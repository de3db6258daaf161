@php
    use App\Rendering\Slots;
@endphp
<div {!! $at->root('reflection') !!}>
<label class="reflection-question" for="a-{{ $block->id }}"{!! $at->words('text') !!}>{{ $block->field('text') }}</label>
@if ($block->field('note') !== '')
<p class="reflection-note"{!! $at->words('note') !!}>{{ $block->field('note') }}</p>
@endif
<textarea id="a-{{ $block->id }}" rows="4" maxlength="5000" data-answer="{{ $block->id }}" @if ($view->editing()) tabindex="-1" disabled @endif placeholder="{{ $view->say('guide.answer') }}">@unless ($view->editing()){!! Slots::name('answer', $block->id) !!}@endunless</textarea>
<span class="reflection-kept" role="status"></span>
</div>
