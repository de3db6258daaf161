@if ($own === null)
<div class="room-closed"><p>This room is for those who registered. Open it by the link in our email, or <a href="{{ $register }}">register here</a>.</p></div>
@else
<div class="room" data-room="{{ json_encode($data, JSON_THROW_ON_ERROR) }}">
<div class="room-stage">
<div class="room-screen" data-screen></div>
<div class="room-cover" data-cover><p data-state aria-live="polite">One moment …</p><button class="button" type="button" data-join hidden>{{ $replay ? 'Play' : 'Join with sound' }}</button></div>
</div>
<p class="room-bar"><span data-clock></span> <span data-here></span>@if ($replay && ($until ?? '') !== '') <span>Open until {{ $until }}</span>@endif <button type="button" class="link" data-sound hidden>Sound off</button> <button type="button" class="link" data-full hidden>Full screen</button> <button type="button" class="link" data-captions hidden>Captions</button></p>
@if ($chapters !== [])
<nav class="room-chapters" aria-label="Chapters"><ol>
@foreach ($chapters as $chapter)
<li><button type="button" class="link" data-chapter="{{ $chapter->second }}"><span>{{ $chapter->clock() }}</span> {{ $chapter->title }}</button></li>
@endforeach
</ol></nav>
@endif
<div class="room-offer" data-offer aria-live="polite"></div>
<div class="room-poll" data-poll></div>
@unless ($replay)
<form class="room-ask" data-ask hidden><label for="room-question">{{ $webinar->mode === \Lantern\Core\Webinars\WebinarMode::Live ? 'Ask the host' : 'A question? It goes to the host by email' }}</label>
<textarea id="room-question" name="question" rows="2" maxlength="1000" required></textarea><button class="button quiet" type="submit">Send</button><p data-asked role="status"></p></form>
<ul class="room-questions" data-questions></ul>
@endunless
<noscript><p>This page needs JavaScript to play.</p></noscript>
</div>
@endif
