<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateInterval;
use DateTimeImmutable;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

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

    /** @param  int  $minutes  before or after; 0 at the start */
    private function __construct(public SessionAnchor $anchor, public int $minutes)
    {
    }

    /** @throws Invalid for less than a minute before, or more than four weeks */
    public static function of(SessionAnchor $anchor, int $minutes = 0, string $path = 'minutes'): self
    {
        if ($anchor === SessionAnchor::Start) {
            return new self($anchor, 0);
        }
        $least = $anchor === SessionAnchor::AfterEnd ? 0 : 1;
        if ($minutes < $least || $minutes > self::MOST_MINUTES) {
            throw Invalid::at($path, "A whole number from {$least} to ".self::MOST_MINUTES.' was expected here.');
        }

        return new self($anchor, $minutes);
    }

    public static function fromShape(Shape $shape): self
    {
        return self::of($shape->choice('anchor', SessionAnchor::class), $shape->integer('minutes', PHP_INT_MIN, PHP_INT_MAX, 0),
            $shape->path('minutes'));
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

    /** @return array<string, int|string> */
    public function toArray(): array
    {
        return ['anchor' => $this->anchor->value] + ($this->minutes === 0 ? [] : ['minutes' => $this->minutes]);
    }
}
