@php($changes = $own !== null && ! $offered->isNone())
<div class="session-card" data-session-card>
@if ($text !== '')
<p class="session-title">{{ $text }}</p>
@endif
@switch ($state)
@case ('registered')
<p class="session-time">@if ($own->isOnDemand()){{ $say('session.at_once') }}@else<time datetime="{{ gmdate('Y-m-d\TH:i:s\Z', $own->session->startsAt->getTimestamp()) }}">{{ $time }}</time>@endif</p>
@unless ($own->isOnDemand())
<p class="session-left" data-until="{{ $own->session->startsAt->format('Uv') }}" data-now="{{ $now->getTimestampMs() }}" data-lang="{{ $say->language()->plain() }}" data-left="{{ $say('session.left', ['time' => '{time}']) }}" data-begun="{{ $say('session.has_begun') }}">{{ $say('session.left', ['time' => \Lantern\Core\Deadlines\TimeWords::left(max(0, $own->session->startsAt->getTimestamp() - $now->getTimestamp()), $say->language()->tag)]) }}</p>
@endunless
<p class="session-acts"><a class="button" href="{{ $links['room'] }}">{{ $say('session.room') }}</a>@unless ($own->isOnDemand()) <a class="button quiet" href="{{ $links['calendar'] }}" download>{{ $say('session.calendar') }}</a>@endunless</p>
<p class="session-note">{{ $say('session.yours') }}</p>
<p class="session-share">{{ $say('session.share') }} <a href="{{ $share }}"{{ $say->leftToRight() }}>{{ preg_replace('~^https?://~', '', $share) }}</a></p>
@break
@case ('waiting')
<p class="session-time"><time datetime="{{ gmdate('Y-m-d\TH:i:s\Z', $own->session->startsAt->getTimestamp()) }}">{{ $time }}</time></p>
<p>{{ $say('session.waiting') }}</p>
@break
@case ('cancelled')
<p>{{ $say($own->calledOff ? ($changes ? 'session.called_off_choose' : 'session.called_off') : ($changes ? 'session.cancelled_choose' : 'session.cancelled')) }}</p>
@break
@case ('over')
<p>{{ $say('session.over') }}</p>
@if ($replay !== null && ($replay->endsAt === null || $replay->endsAt > $now))
<p class="session-acts"><a class="button" href="{{ $links['replay'] }}">{{ $say('session.replay') }}</a></p>
@endif
@break
@case ('list')
<p>{{ $say('session.list') }}</p>
@break
@case ('inbox')
<p>{{ $say('session.inbox') }}</p>
@break
@default
<p>{{ $say->html('session.not_here', [], ['link' => '<a href="'.e($register).'">']) }}</p>
@endswitch
@if ($changes)
<details class="session-change" @if ($state === 'cancelled' || $state === 'over') open @endif>
<summary>{{ $state === 'registered' || $state === 'waiting' ? $say('session.other') : $say('session.choose_other') }}</summary>
<form method="post" action="{{ $links['change'] }}">
@foreach ($offered->choices as $choice)
<label class="session-choice"><input type="radio" name="webinar_session" value="{{ $choice->session->key }}" required @checked($choice->session->key === $own->session->key && $own->open)><span><strong>{{ $offered::time($choice, $zone, $say, $now) }}</strong>@if ($offered->places($choice)) <small>{{ $say($offered->places($choice)) }}</small>@endif</span></label>
@endforeach
<button class="button quiet" type="submit">{{ $say('session.take') }}</button>
</form>
@if ($state === 'registered' || $state === 'waiting')
<form method="post" action="{{ $links['cancel'] }}"><button class="link" type="submit">{{ $say('session.cancel') }}</button></form>
@endif
</details>
@endif
</div>
