<div class="room-closed">
@if ($state === null)
<p>The replay is for those who registered. Open it by the link in our email, or <a href="{{ $register }}">register here</a>.</p>
@elseif ($state === \Lantern\Core\Webinars\ReplayState::Soon || ($state === \Lantern\Core\Webinars\ReplayState::Open && ! $hasVideo))
<p>{{ $state === \Lantern\Core\Webinars\ReplayState::Open || $opens === '' ? 'The replay is not here yet. Please look again in a while.' : "The replay opens {$opens}." }}</p>
@elseif ($state === \Lantern\Core\Webinars\ReplayState::Over)
<p>{{ $over !== '' ? $over : 'The replay is over: it was open for a limited time.' }}</p>
@if ($onward !== '')
<p><a class="button" href="{{ $onward }}">See what there is now</a></p>
@endif
@else
<p>The replay is not open to you.</p>
@endif
</div>
