@php($changes = $own !== null && ! $offered->isNone())
<div class="session-card" data-session-card>
@if ($text !== '')
<p class="session-title">{{ $text }}</p>
@endif
@switch ($state)
@case ('registered')
<p class="session-time">@if ($own->isOnDemand())It begins as soon as you like.@else<time datetime="{{ gmdate('Y-m-d\TH:i:s\Z', $own->session->startsAt->getTimestamp()) }}">{{ $time }}</time>@endif</p>
@unless ($own->isOnDemand())
<p class="session-left" data-until="{{ $own->session->startsAt->format('Uv') }}" data-now="{{ $now->getTimestampMs() }}" data-lang="{{ $language }}">{{ \Lantern\Core\Deadlines\TimeWords::left(max(0, $own->session->startsAt->getTimestamp() - $now->getTimestamp()), $language) }} to go</p>
@endunless
<p class="session-acts"><a class="button" href="{{ $links['room'] }}">To your room</a>@unless ($own->isOnDemand()) <a class="button quiet" href="{{ $links['calendar'] }}" download>Put it in your calendar</a>@endunless</p>
<p class="session-note">The link to your room is yours alone and works on every device you have. It is in your inbox as well.</p>
<p class="session-share">Somebody else should come too? Give them this link: <a href="{{ $share }}">{{ preg_replace('~^https?://~', '', $share) }}</a></p>
@break
@case ('waiting')
<p class="session-time"><time datetime="{{ gmdate('Y-m-d\TH:i:s\Z', $own->session->startsAt->getTimestamp()) }}">{{ $time }}</time></p>
<p>All places are taken. You are on the waiting list: as soon as one is free, it is yours, and you hear of it by email.</p>
@break
@case ('cancelled')
<p>{{ $own->calledOff ? 'This session was cancelled.' : 'Your place is cancelled.' }} {{ $changes ? 'You can choose another time.' : '' }}</p>
@break
@case ('over')
<p>The session you had chosen is over.</p>
@if ($replay !== null && ($replay->endsAt === null || $replay->endsAt > $now))
<p class="session-acts"><a class="button" href="{{ $links['replay'] }}">To the replay</a></p>
@endif
@break
@case ('list')
<p>There is no session to come yet. You hear of the next one by email, and can choose your time then.</p>
@break
@case ('inbox')
<p>Please look in your inbox: your time and your link into the room are there.</p>
@break
@default
<p>You are not registered in this browser. <a href="{{ $register }}">Register here</a>, or open your link from our email.</p>
@endswitch
@if ($changes)
<details class="session-change" @if ($state === 'cancelled' || $state === 'over') open @endif>
<summary>{{ $state === 'registered' || $state === 'waiting' ? 'Another time suits you better?' : 'Choose another time' }}</summary>
<form method="post" action="{{ $links['change'] }}">
@foreach ($offered->choices as $choice)
<label class="session-choice"><input type="radio" name="webinar_session" value="{{ $choice->session->key }}" required @checked($choice->session->key === $own->session->key && $own->open)><span><strong>{{ $offered::time($choice, $zone, $language, $now) }}</strong>@if ($offered->places($choice) !== '') <small>{{ $offered->places($choice) }}</small>@endif</span></label>
@endforeach
<button class="button quiet" type="submit">Choose this time</button>
</form>
@if ($state === 'registered' || $state === 'waiting')
<form method="post" action="{{ $links['cancel'] }}"><button class="link" type="submit">I cannot come: cancel my place</button></form>
@endif
</details>
@endif
</div>
