@switch ($block->kind->value)
@case ('sessions')
<fieldset {!! $at->root('sessions') !!}><legend{!! $at->words('text') !!}>{{ $block->field('text') }}</legend>
@forelse ($example as $time)
<label class="session-choice"><input type="radio" disabled @checked($loop->first)><span><strong>{{ $time }}</strong></span></label>
@empty
<p>{{ $webinar === null ? 'Choose a webinar at the right.' : 'This webinar has no session to come.' }}</p>
@endforelse
</fieldset>
@break
@case ('session')
<div {!! $at->root('session-card') !!}><p class="session-title"{!! $at->words('text') !!}>{{ $block->field('text') }}</p>
<p class="session-time">{{ $example[0] ?? 'No session to come' }}</p><p class="session-left">3 days, 4 hours to go</p>
<p class="session-acts"><span class="button">To your room</span> <span class="button quiet">Put it in your calendar</span></p></div>
@break
@case ('room')
<div {!! $at->root('room') !!}><div class="room-stage"><div class="room-cover"><p>{{ $webinar->title ?? 'Choose a webinar at the right.' }}</p><span class="button">Join with sound</span></div></div></div>
@break
@default
<div {!! $at->root('room') !!}><div class="room-stage"><div class="room-cover"><p>The replay: {{ $webinar->title ?? 'choose a webinar at the right.' }}</p><span class="button">Play</span></div></div>
<p class="room-over"{!! $at->words('over') !!}>{{ $block->field('over') }}</p></div>
@endswitch
