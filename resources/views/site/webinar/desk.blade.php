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
<p class="session-time">{{ $example[0] ?? 'No session to come' }}</p><p class="session-left">{{ $view->say('session.left', ['time' => \Lantern\Core\Deadlines\TimeWords::left(3 * 86_400 + 4 * 3600, $view->language)]) }}</p>
<p class="session-acts"><span class="button">{{ $view->say('session.room') }}</span> <span class="button quiet">{{ $view->say('session.calendar') }}</span></p></div>
@break
@case ('room')
<div {!! $at->root('room') !!}><div class="room-stage"><div class="room-cover"><p>{{ $webinar->title ?? 'Choose a webinar at the right.' }}</p><span class="button">{{ $view->say('room.join') }}</span></div></div></div>
@break
@default
<div {!! $at->root('room') !!}><div class="room-stage"><div class="room-cover"><p>{{ $webinar === null ? 'Choose a webinar at the right.' : $view->say('replay.title', ['webinar' => $webinar->title]) }}</p><span class="button">{{ $view->say('room.play') }}</span></div></div>
<p class="room-over"{!! $at->words('over') !!}>{{ $block->field('over') }}</p></div>
@endswitch
