<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Events\Trigger\Trigger;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A deadline of a funnel: one moment for everyone, or one that is each person's own, which begins at the first of its triggers
 * and lasts so long, yet never beyond an optional moment for everyone. What it guards is closed after it.
 */
final readonly class Deadline implements Part
{
    use PlainPart;
    use Rebuilt;

    public const MOST_GRACE = 120;

    public const MOST_PAGES = 40;

    /**
     * @param  Duration|null  $duration  of a personal one; null where it is one moment for everyone
     * @param  ForEveryone|null  $latest  the moment for everyone; of a personal one, the end that none of them goes beyond
     * @param  int  $grace  minutes after its end within which a checkout that was open can still be paid; never shown
     * @param  int|null  $again  days after its end from which it may begin once more; null for never
     * @param  bool  $byAddress  does the network address serve as a last resort to know strangers again?
     * @param  list<GuardedPage>  $pages
     * @param  list<string>  $offers  ids of the offers that can be bought only while it runs
     * @param  bool  $leadsOn  at its end, does the page lead on by itself? Otherwise it says that the time is up.
     */
    public function __construct(
        public string $id,
        public string $name,
        public Triggers $starts = new Triggers,
        public ?Duration $duration = null,
        public ?ForEveryone $latest = null,
        public int $grace = 10,
        public ?int $again = null,
        public bool $byAddress = false,
        public array $pages = [],
        public array $offers = [],
        public LastWarning $warning = new LastWarning,
        public bool $leadsOn = true,
    ) {
    }

    public static function kind(): string
    {
        return 'deadline';
    }

    public static function label(): string
    {
        return 'deadline';
    }

    public static function most(): int
    {
        return 20;
    }

    /** @throws Invalid when it has no name, or one for everyone has no moment */
    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the deadline a name. Only you will see it.');
        }
        $duration = $shape->optionalGroup('duration');
        $latest = ForEveryone::optional($shape->optionalGroup('latest'));
        if ($duration === null && $latest === null) {
            throw Invalid::at($shape->path('latest'), 'Please choose the moment at which it ends for everyone.');
        }
        $pages = [];
        foreach ($shape->groups('pages', self::MOST_PAGES) as $group) {
            $page = GuardedPage::fromShape($group);
            if ($page->before === $page->page) {
                throw Invalid::at($group->path('before'), 'A page cannot be shown in place of itself.');
            }
            $pages[$page->page] ??= $page;
        }

        return new self($shape->text('id', 40), $name, Triggers::fromShape($shape, 'starts'),
            $duration === null ? null : Duration::fromShape($duration), $latest, $shape->integer('grace', 0, self::MOST_GRACE, 10),
            $shape->has('again') ? $shape->integer('again', 0, 365) : null, $shape->flag('byAddress'), array_values($pages),
            array_values(array_unique($shape->texts('offers', 30, 40))), LastWarning::fromShape($shape->optionalGroup('warning')),
            $shape->flag('leadsOn', true));
    }

    public function isPersonal(): bool
    {
        return $this->duration !== null;
    }

    /**
     * What somebody is promised for whom it begins at a moment.
     *
     * @param  DateTimeZone  $zone  theirs, or the owner's where it is not known
     * @return Run|null nothing where it would end before it has begun, since its moment for everyone has passed
     */
    public function begin(DateTimeImmutable $at, DateTimeZone $zone, string $why = ''): ?Run
    {
        $at = $at->setTimezone(new DateTimeZone('UTC'));
        $end = $this->duration?->from($at, $zone);
        $latest = $this->latest?->at();
        $ends = $end !== null && $latest !== null ? min($end, $latest) : ($end ?? $latest);

        return $ends === null || $ends <= $at ? null : new Run($at, $ends, $why);
    }

    /** The run that everybody is in, of one that is not personal. */
    public function forEveryone(DateTimeImmutable $since): ?Run
    {
        return $this->isPersonal() || $this->latest === null ? null : new Run(min($since, $this->latest->at()), $this->latest->at());
    }

    /** May it begin for somebody, given how it ran for them before? */
    public function mayBegin(?Run $before, DateTimeImmutable $now): bool
    {
        if (! $this->isPersonal() || ($before === null && $this->latest !== null && $now >= $this->latest->at())) {
            return false;
        }

        return $before === null || ($this->again !== null && $before->state($now, $this->grace) === DeadlineState::Over
            && $now >= $before->endsAt->modify("+{$this->again} days"));
    }

    public function state(?Run $run, DateTimeImmutable $now): DeadlineState
    {
        return $run?->state($now, $this->grace, $this->warning->minutes)
            // Whoever never began it cannot begin it any more once its moment for everyone has passed.
            ?? ($this->latest !== null && $now >= $this->latest->at() ? DeadlineState::Over : DeadlineState::NotStarted);
    }

    public function guardedPage(string $page): ?GuardedPage
    {
        foreach ($this->pages as $guarded) {
            if ($guarded->page === $page) {
                return $guarded;
            }
        }

        return null;
    }

    public function guardsOffer(string $offer): bool
    {
        return in_array($offer, $this->offers, true);
    }

    /** Can what it guards be bought before it has begun? Not where people are led elsewhere until then. */
    public function isOpenBefore(): bool
    {
        return array_filter($this->pages, fn (GuardedPage $p): bool => $p->before !== null) === [];
    }

    /** @return list<string> */
    public function references(): array
    {
        return array_values(array_unique([...$this->starts->references(),
            ...array_merge([], ...array_map(fn (GuardedPage $p): array => $p->references(), $this->pages)), ...$this->offers,
            ...array_filter([$this->warning->section], is_string(...))]));
    }

    public function needs(): array
    {
        return [];
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, starts: $this->starts->withIds($ids),
            pages: array_map(fn (GuardedPage $p): GuardedPage => $p->withIds($ids), $this->pages),
            offers: array_map(fn (string $o): string => $ids[$o] ?? $o, $this->offers), warning: $this->warning->withIds($ids));
    }

    public function changesSince(Part $before): array
    {
        if (! $before instanceof self) {
            return [];
        }
        $differs = fn (string $key): bool => ($before->toArray()[$key] ?? null) !== ($this->toArray()[$key] ?? null);
        $what = array_keys(array_filter([
            'its name' => $differs('name'),
            'what starts it' => $differs('starts'),
            'how long it lasts' => $differs('duration') || $differs('latest'),
            'its grace' => $differs('grace'),
            'whether it may start again' => $differs('again'),
            'how strangers are known again' => $differs('byAddress'),
            'the pages it guards' => $differs('pages'),
            'the offers it guards' => $differs('offers'),
            'its last warning' => $differs('warning'),
            'what happens at its end' => $differs('leadsOn'),
        ]));

        return $what === [] ? [] : ["Changed deadline: “{$this->name}” (".implode(', ', $what).').'];
    }

    /** Would it end at another moment than it did before, for somebody for whom it began at the same one? */
    public function endsDifferently(self $before): bool
    {
        return [$this->duration?->toArray(), $this->latest?->toArray()] !== [$before->duration?->toArray(), $before->latest?->toArray()];
    }

    /**
     * As one sentence: "Starts when they click in “The offer”, lasts 3 days until 20:00 their time, at the latest on 20 December 2026
     * at 18:00."
     *
     * @param  callable(string $id): string  $name  what a part of the funnel is called
     */
    public function words(callable $name): string
    {
        $moment = $this->latest === null ? '' : (new DateTimeImmutable($this->latest->moment))->format('j F Y \a\t H:i')
            .", {$this->latest->zone} time";
        if ($this->duration === null) {
            return "Ends for everyone on {$moment}.";
        }
        $starts = implode(' or ', array_map(fn (Trigger $t): string => 'when they '.$t->when($name), $this->starts->list));

        return 'Starts '.($starts === '' ? 'when you start it for somebody' : $starts).", lasts {$this->duration->words()}"
            .($moment === '' ? '' : ", at the latest on {$moment}").'.';
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, 'private', 1), 'starts' => Written::ref('triggers'), 'duration' => Duration::schema(),
            'latest' => Written::ref('everyone'), 'grace' => Written::whole(0, self::MOST_GRACE, 'minutes; 10 where nothing is said'),
            'again' => Written::whole(0, 365, 'days after its end; never where nothing is said'), 'byAddress' => Written::flag(),
            'pages' => Written::listOf(GuardedPage::schema(), self::MOST_PAGES), 'offers' => Written::listOf(Written::id(), 30),
            'warning' => LastWarning::schema(), 'leadsOn' => Written::flag(),
        ], ['name'], 'personal where it says how long it lasts; else one moment for everyone')
            + ['anyOf' => [['required' => ['duration']], ['required' => ['latest']]]];
    }

    /** @return array<string, mixed> only what differs from the defaults, beside id and name */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name] + array_filter([
            'starts' => $this->starts->toArray(), 'duration' => $this->duration?->toArray(), 'latest' => $this->latest?->toArray(),
            'grace' => $this->grace === 10 ? null : $this->grace, 'again' => $this->again, 'byAddress' => $this->byAddress ?: null,
            'pages' => array_map(fn (GuardedPage $p): array => $p->toArray(), $this->pages), 'offers' => $this->offers,
            'warning' => $this->warning->toArray(), 'leadsOn' => $this->leadsOn ? null : false,
        ], fn (mixed $v): bool => $v !== null && $v !== []);
    }
}
