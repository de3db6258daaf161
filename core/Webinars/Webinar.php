<?php

declare(strict_types=1);

namespace Lantern\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** A webinar of a funnel: when its sessions are, how it is held, what it offers, and its replay. */
final readonly class Webinar implements Part
{
    use PlainPart;

    /** What devices still have to report when a session ends has come by then. Seconds. */
    public const REPORTS_COME = 30;

    /** Hours after which it is looked at what became of a session that begins whenever its person likes. */
    private const ON_DEMAND = 24;

    /**
     * @param  string  $name  what its owner calls it
     * @param  string  $title  as those who register read it
     * @param  string  $stream  the address of the host's stream, of a live one; '' while it is not known
     * @param  string  $video  the id of the uploaded recording, which is played in its place or as its replay; '' for none
     * @param  bool  $pauses  may the recording be paused? On demand it always may.
     * @param  AttendanceThreshold  $threshold  from which on somebody has attended
     * @param  Replay|null  $replay  null for none
     * @param  bool  $showsPlaces  is it said how many places are left?
     * @param  string  $captions  the id of the uploaded captions of the recording (WebVTT); '' for none
     * @param  list<Chapter>  $chapters  of the replay, in order
     * @param  array<string, list<string>>  $tags  for whom a session came to an outcome, by {@see AttendanceOutcome}
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $title,
        public Schedule $schedule,
        public WebinarMode $mode = WebinarMode::Live,
        public string $stream = '',
        public string $video = '',
        public bool $pauses = false,
        public ?OfferMoment $offer = null,
        public AttendanceThreshold $threshold = new AttendanceThreshold,
        public ?Replay $replay = new Replay,
        public bool $showsPlaces = false,
        public string $captions = '',
        public array $chapters = [],
        public array $tags = [],
    ) {
    }

    public static function kind(): string
    {
        return 'webinar';
    }

    public static function label(): string
    {
        return 'webinar';
    }

    public static function most(): int
    {
        return 10;
    }

    /** @throws Invalid when it has no name, or could not be held as it is planned */
    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the webinar a name. Only you will see it.');
        }
        $schedule = Schedule::fromShape($shape->group('schedule'));
        $mode = $shape->choice('mode', WebinarMode::class, WebinarMode::Live->value);
        if ($mode === WebinarMode::Live && in_array($schedule->kind, [ScheduleKind::Soon, ScheduleKind::OnDemand], true)) {
            throw Invalid::at($shape->path('mode'),
                'What begins whenever somebody comes cannot be held live. Please choose a recording.');
        }
        if ($mode === WebinarMode::Live && $schedule->theirs) {
            throw Invalid::at($shape->path('mode'), 'A time of each visitor’s own day cannot be held live: it comes at many moments.');
        }
        $stream = trim($shape->text('stream', 500, ''));
        if ($stream !== '' && preg_match('~^https?://[^\s"<>\\\\]+$~iD', $stream) !== 1) {
            throw Invalid::at($shape->path('stream'), 'An address begins with https://.');
        }
        $offer = $shape->optionalGroup('offer');
        $replay = $shape->optionalGroup('replay');

        return new self($shape->text('id', 40), $name, trim($shape->text('title', 200)), $schedule, $mode, $stream,
            $shape->text('video', 40, ''), $shape->flag('pauses'), $offer === null ? null : OfferMoment::fromShape($offer),
            AttendanceThreshold::fromShape($shape->optionalGroup('threshold')), $replay === null ? null : Replay::fromShape($replay),
            $shape->flag('showsPlaces'), $shape->text('captions', 40, ''), Chapter::list($shape), self::tags($shape));
    }

    /**
     * @return array<string, list<string>>
     *
     * @throws Invalid
     */
    private static function tags(Shape $shape): array
    {
        $tags = [];
        $group = $shape->optionalGroup('tags') ?? Shape::of([]);
        foreach (AttendanceOutcome::cases() as $outcome) {
            foreach ($group->texts($outcome->value, 10, 60) as $tag) {
                $tags[$outcome->value][] = trim((string) preg_replace('/\s+/u', ' ', $tag));
            }
        }

        return array_filter(array_map(fn (array $t): array => array_values(array_unique(array_filter($t,
            fn (string $w): bool => $w !== ''))),
            $tags));
    }

    public function sessions(): Sessions
    {
        return new Sessions($this->schedule);
    }

    /** The host's. */
    public function zone(): DateTimeZone
    {
        return new DateTimeZone($this->schedule->zone);
    }

    /**
     * When to look first what became of somebody's session: at its end, of a recording at the end of that, and a day after it was begun
     * of what begins whenever its person likes.
     *
     * @param  int  $recorded  seconds of the recording
     */
    public function settlesAt(Session $session, int $recorded): DateTimeImmutable
    {
        return match (true) {
            $session->isOnDemand() => $session->startsAt->modify('+'.self::ON_DEMAND.' hours'),
            $this->mode === WebinarMode::Automated => $session->startsAt->modify("+{$recorded} seconds"),
            default => $session->endsAt,
        };
    }

    public function mayPause(): bool
    {
        return $this->pauses || $this->schedule->kind === ScheduleKind::OnDemand;
    }

    /** Its offer may be taken away: then the room shows none. */
    public function references(): array
    {
        return $this->offer === null ? [] : [$this->offer->offer];
    }

    public function uploads(): array
    {
        return array_values(array_filter([$this->video, $this->captions], fn (string $u): bool => $u !== ''));
    }

    public function withIds(array $ids): self
    {
        $id = fn (string $old): string => $ids[$old] ?? $old;

        return new self($id($this->id), $this->name, $this->title, $this->schedule, $this->mode, $this->stream, $id($this->video),
            $this->pauses, $this->offer === null ? null : new OfferMoment($id($this->offer->offer), $this->offer->second), $this->threshold,
            $this->replay, $this->showsPlaces, $id($this->captions), $this->chapters, $this->tags);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, 'private', 1), 'title' => Written::text(200, 'as those who register read it'),
            'schedule' => Schedule::schema(), 'mode' => Written::choice(WebinarMode::class), 'stream' => Written::text(500),
            'video' => Written::id(), 'pauses' => Written::flag(), 'offer' => OfferMoment::schema(),
            'threshold' => AttendanceThreshold::schema(), 'replay' => Replay::schema(), 'showsPlaces' => Written::flag(),
            'captions' => Written::id('an uploaded WebVTT file'), 'chapters' => Written::listOf(Chapter::schema(), Chapter::MOST),
            'tags' => Written::group(array_fill_keys(array_map(fn (AttendanceOutcome $o): string => $o->value, AttendanceOutcome::cases()),
                Written::ref('tags')), description: 'that somebody gets, by what became of their session'),
        ], ['name', 'title', 'schedule', 'mode'], 'its sessions, how it is held, what it offers, and its replay');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'title' => $this->title, 'schedule' => $this->schedule->toArray(),
            'mode' => $this->mode->value] + array_filter(['stream' => $this->stream, 'video' => $this->video],
                fn (string $v): bool => $v !== '') + ($this->pauses ? ['pauses' => true] : [])
            + ($this->offer === null ? [] : ['offer' => $this->offer->toArray()]) + ['threshold' => $this->threshold->toArray()]
            + ($this->replay === null ? [] : ['replay' => $this->replay->toArray()])
            + ($this->showsPlaces ? ['showsPlaces' => true] : []) + ($this->captions === '' ? [] : ['captions' => $this->captions])
            + ($this->chapters === [] ? [] : ['chapters' => array_map(fn (Chapter $c): array => $c->toArray(), $this->chapters)])
            + ($this->tags === [] ? [] : ['tags' => $this->tags]);
    }
}
