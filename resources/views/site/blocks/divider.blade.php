@if ($block->style() === 'ornament')
<div {!! $at->root('divider ornament') !!} role="separator"><svg viewBox="0 0 120 16" width="120" height="16" aria-hidden="true"><path d="M0 8h44M76 8h44M60 2c3 3 3 9 0 12-3-3-3-9 0-12z" fill="none" stroke="currentColor" stroke-width="1.5"/></svg></div>
@elseif ($block->style() === 'space')
<div {!! $at->root('divider space') !!}></div>
@else
<hr {!! $at->root('divider line') !!}>
@endif
