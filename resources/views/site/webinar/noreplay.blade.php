<div class="room-closed">
@if ($state === null)
<p>{{ $say->html('replay.members', [], ['link' => '<a href="'.e($register).'">']) }}</p>
@elseif ($state === \Lantern\Core\Webinars\ReplayState::Soon || ($state === \Lantern\Core\Webinars\ReplayState::Open && ! $hasVideo))
<p>{{ $state === \Lantern\Core\Webinars\ReplayState::Open || $opens === '' ? $say('replay.soon') : $say('replay.opens', ['moment' => $opens]) }}</p>
@elseif ($state === \Lantern\Core\Webinars\ReplayState::Over)
<p>{{ $over !== '' ? $over : $say('replay.over') }}</p>
@if ($onward !== '')
<p><a class="button" href="{{ $onward }}">{{ $say('notice.to.now') }}</a></p>
@endif
@else
<p>{{ $say('replay.not_yours') }}</p>
@endif
</div>
