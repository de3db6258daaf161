<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Records\RegisteredSessions;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Languages\Voice;
use Lantern\Core\Webinars\SessionChoice;
use Lantern\Core\Webinars\SessionState;
use Lantern\Core\Webinars\Webinar;

/** The sessions of a webinar that somebody can choose from, as they read them. */
final readonly class Offered
{
    /**
     * @param  list<SessionChoice>  $choices  in order
     * @param  int|null  $fresh  seconds until the first of them cannot be had any more; null where they can always be had
     */
    private function __construct(public array $choices, private bool $showsPlaces, public ?int $fresh)
    {
    }

    /** @param  string|null  $person  whose own place does not count */
    public static function to(Webinar $webinar, DateTimeZone $zone, DateTimeImmutable $now, ?string $person = null): self
    {
        return self::of($webinar, $zone, $now, $webinar->schedule->places === null ? []
            : RegisteredSessions::taken($webinar->id, $now, $person), RegisteredSessions::calledOff($webinar->id));
    }

    /**
     * @param  array<string, int>  $taken  by key of the session
     * @param  list<string>  $calledOff  keys of sessions that are not held
     */
    public static function of(Webinar $webinar, DateTimeZone $zone, DateTimeImmutable $now, array $taken, array $calledOff): self
    {
        $sessions = $webinar->sessions();
        $choices = $sessions->offered($now, $zone, $taken, $calledOff);
        $first = $choices[0]->session ?? null;

        return new self($choices, $webinar->showsPlaces,
            $first === null || $first->key === 'd' ? null : $sessions->closesAt($first)->getTimestamp() - $now->getTimestamp());
    }

    public function isNone(): bool
    {
        return $this->choices === [];
    }

    public function has(string $key): bool
    {
        return array_filter($this->choices, fn (SessionChoice $c): bool => $c->session->key === $key) !== [];
    }

    /** When a session is, in their zone and language. */
    public static function time(SessionChoice $choice, DateTimeZone $zone, Voice $voice, DateTimeImmutable $now): string
    {
        return $choice->session->key === 'd' ? $voice->say('session.any_time')
            : TimeWords::moment($choice->session->startsAt, $zone, $voice->language()->tag, $now);
    }

    /** What is to be said of its places; null for nothing. */
    public function places(SessionChoice $choice): ?Phrase
    {
        return match (true) {
            $choice->state === SessionState::Full => Phrase::of('session.full'),
            ! $this->showsPlaces || $choice->left === null => null,
            default => Phrase::of('session.places', ['left' => $choice->left]),
        };
    }
}
