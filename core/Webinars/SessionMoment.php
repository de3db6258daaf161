<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateInterval;
use DateTimeImmutable;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * When an email about somebody's session is due: so long before its start, at its start, so long after its end, or so long before
 * their replay ends. Time that passes, no calendar days: an hour before is an hour before, whatever the clocks do meanwhile.
 */
final readonly class SessionMoment
{
    public const MOST_MINUTES = 40_320;

    /** Between registering and the first reminder there is at least this part of the time by which it comes before, … */
    private const APART = 6;

    /** … and never less than so many minutes: the confirmation has only just come. */
    private const LEAST_APART = 5;

    /** An email after the session, or of its replay, that could not go for so many minutes is not sent any more. */
    private const LATE = 2880;

    /**
     * @param  int  $minutes  before or after; 0 at the start
     * @param  string  $webinar  the id of the one it is about
     */
    private function __construct(public SessionAnchor $anchor, public int $minutes, public string $webinar)
    {
    }

    /** @throws Invalid for less than a minute before, or more than four weeks */
    public static function of(SessionAnchor $anchor, int $minutes = 0, string $path = 'minutes', string $webinar = ''): self
    {
        if ($anchor === SessionAnchor::Start) {
            return new self($anchor, 0, $webinar);
        }
        $least = $anchor === SessionAnchor::AfterEnd ? 0 : 1;
        if ($minutes < $least || $minutes > self::MOST_MINUTES) {
            throw Invalid::at($path, "A whole number from {$least} to ".self::MOST_MINUTES.' was expected here.');
        }

        return new self($anchor, $minutes, $webinar);
    }

    public static function fromShape(Shape $shape): self
    {
        return self::of($shape->choice('anchor', SessionAnchor::class), $shape->integer('minutes', PHP_INT_MIN, PHP_INT_MAX, 0),
            $shape->path('minutes'), $shape->text('webinar', 40, ''));
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($this->anchor, $this->minutes, $ids[$this->webinar] ?? $this->webinar);
    }

    /** When it goes to somebody who has a place; nothing while they wait for one, or where it makes no sense for them. */
    public function dueFor(RegisteredSession $registered): ?DateTimeImmutable
    {
        // What begins when its person likes needs no word that it will.
        $needless = $registered->session->key === 'd' && in_array($this->anchor, [SessionAnchor::BeforeStart, SessionAnchor::Start], true);

        return $registered->waiting || $needless ? null : $this->due($registered->session, $registered->at, $registered->replay);
    }

    /** Is it a word that must come at its moment or not at all, whatever hours emails otherwise keep to? */
    public function isUrgent(): bool
    {
        return $this->anchor !== SessionAnchor::AfterEnd;
    }

    /** In words: "1 day before it starts", "when it starts", "2 hours after it ends". */
    public function words(): string
    {
        $n = $this->minutes;
        [$count, $unit] = match (true) {
            $n > 0 && $n % 1440 === 0 => [intdiv($n, 1440), 'day'],
            $n > 0 && $n % 60 === 0 => [intdiv($n, 60), 'hour'],
            default => [$n, 'minute'],
        };
        $time = "{$count} {$unit}".($count === 1 ? '' : 's');

        return match ($this->anchor) {
            SessionAnchor::BeforeStart => "{$time} before it starts",
            SessionAnchor::Start => 'when it starts',
            SessionAnchor::AfterEnd => $n === 0 ? 'when it has ended' : "{$time} after it ends",
            SessionAnchor::BeforeReplayEnds => "{$time} before the replay ends",
        };
    }

    /**
     * When it is due, in UTC, for somebody who registered at a moment; null where it makes no sense for them: its time had come
     * before they registered, or would come so soon after it that it says nothing new, or there is no replay that ends.
     */
    public function due(Session $session, DateTimeImmutable $registered, ?ReplayWindow $replay = null): ?DateTimeImmutable
    {
        $at = match ($this->anchor) {
            SessionAnchor::BeforeStart => $this->before($session->startsAt),
            SessionAnchor::Start => $session->startsAt,
            SessionAnchor::AfterEnd => $session->endsAt->add(new DateInterval("PT{$this->minutes}M")),
            SessionAnchor::BeforeReplayEnds => $replay?->endsAt === null ? null : $this->before($replay->endsAt),
        };
        $earliest = match ($this->anchor) {
            SessionAnchor::BeforeStart => $registered->modify('+'.max(self::LEAST_APART, intdiv($this->minutes, self::APART)).' minutes'),
            // Whoever registers when it has begun is let in at once.
            SessionAnchor::Start, SessionAnchor::AfterEnd => $registered,
            // A word that the end is near comes when there is something that ends.
            SessionAnchor::BeforeReplayEnds => $replay === null ? $registered : max($replay->opensAt, $registered),
        };

        return $at === null || $at < $earliest ? null : $at;
    }

    private function before(DateTimeImmutable $at): DateTimeImmutable
    {
        return $at->sub(new DateInterval("PT{$this->minutes}M"));
    }

    /**
     * The moment from which on it is too late to send it, in UTC: halfway to the start for a reminder, the end of the session for
     * the word that it has begun, the end of the replay for what speaks of it.
     */
    public function lapses(Session $session, ?ReplayWindow $replay = null): DateTimeImmutable
    {
        return match ($this->anchor) {
            SessionAnchor::BeforeStart => $session->startsAt->modify('-'.($this->minutes * 30).' seconds'),
            SessionAnchor::Start => $session->endsAt,
            SessionAnchor::AfterEnd => $session->endsAt->modify('+'.($this->minutes + self::LATE).' minutes'),
            SessionAnchor::BeforeReplayEnds => $replay->endsAt ?? $session->endsAt,
        };
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return ['required' => ['anchor'], 'properties' => [
            'anchor' => Written::choice(SessionAnchor::class), 'minutes' => Written::whole(0, self::MOST_MINUTES),
            'webinar' => Written::id(),
        ]];
    }

    /** @return array<string, int|string> */
    public function toArray(): array
    {
        return ['anchor' => $this->anchor->value] + ($this->minutes === 0 ? [] : ['minutes' => $this->minutes])
            + ($this->webinar === '' ? [] : ['webinar' => $this->webinar]);
    }
}
