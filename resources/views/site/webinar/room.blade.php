@if ($own === null)
<div class="room-closed"><p>{{ $say->html('room.members', [], ['link' => '<a href="'.e($register).'">']) }}</p></div>
@else
<div class="room" data-room="{{ json_encode($data, JSON_THROW_ON_ERROR) }}">
<div class="room-stage">
<div class="room-screen" data-screen></div>
<div class="room-cover" data-cover><p data-state aria-live="polite">{{ $say('room.moment') }}</p><button class="button" type="button" data-join hidden>{{ $say($replay ? 'room.play' : 'room.join') }}</button></div>
</div>
<p class="room-bar"><span data-clock></span> <span data-here></span>@if ($replay && ($until ?? '') !== '') <span>{{ $say('room.until', ['moment' => $until]) }}</span>@endif <button type="button" class="link" data-sound hidden>{{ $say('room.sound_off') }}</button> <button type="button" class="link" data-full hidden>{{ $say('room.full') }}</button> <button type="button" class="link" data-captions hidden>{{ $say('room.captions') }}</button></p>
@if ($chapters !== [])
<nav class="room-chapters" aria-label="{{ $say('room.chapters') }}"><ol>
@foreach ($chapters as $chapter)
<li><button type="button" class="link" data-chapter="{{ $chapter->second }}"><span>{{ $chapter->clock() }}</span> {{ $chapter->title }}</button></li>
@endforeach
</ol></nav>
@endif
<div class="room-offer" data-offer aria-live="polite"></div>
<div class="room-poll" data-poll></div>
@unless ($replay)
<form class="room-ask" data-ask hidden><label for="room-question">{{ $webinar->mode === \Lantern\Core\Webinars\WebinarMode::Live ? $say('room.ask') : $say('room.ask_by_email') }}</label>
<textarea id="room-question" name="question" rows="2" maxlength="1000" required></textarea><button class="button quiet" type="submit">{{ $say('room.send') }}</button><p data-asked role="status"></p></form>
<ul class="room-questions" data-questions></ul>
@endunless
<noscript><p>{{ $say('room.no_script') }}</p></noscript>
</div>
@endif
