<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\People\State\PersonState;

/** Who looks at which page, and what is known of them, when it is asked whether a pop-up is shown. */
final readonly class Situation
{
    /** Before the first view of a visit, a click in an email began it if it was not longer ago than this. Seconds. */
    private const CLICK = 120;

    /**
     * @param  DateTimeZone  $zone  the owner's, in which days and hours are read
     * @param  string|null  $page  the id of the page of the funnel; null on other sites
     * @param  bool  $quiet  a page on which none is ever shown: a checkout, and what follows it
     * @param  string|null  $site  the id of the owner's other site, with the `address` of its page
     * @param  array<string, string>  $parameters  of the address of the visit
     * @param  list<string>  $languages  as the browser prefers them
     * @param  int  $visit  which visit it is, 1 for the first
     * @param  DateTimeImmutable|null  $since  when this visit began
     * @param  string  $view  this view of the page
     * @param  list<PopupFact>  $facts  what pop-ups did before, for this person or browser
     * @param  array<string, DateTimeImmutable>  $joined  by id of the forms that they have filled in, when they did so last
     * @param  bool  $fromEmail  did this visit begin with a link in an email of ours?
     * @param  DateTimeImmutable|null  $clicked  when they followed a link in an email of ours last
     * @param  bool  $bought  have they bought something of this funnel?
     * @param  PersonState|null  $person  null where the browser is nobody's yet
     * @param  TriggerKind|null  $trigger  what has just happened; null where it is asked beforehand
     */
    public function __construct(
        public DateTimeImmutable $now,
        public DateTimeZone $zone,
        public ?string $page = null,
        public bool $quiet = false,
        public ?string $site = null,
        public string $address = '',
        public bool $phone = false,
        public array $parameters = [],
        public array $languages = [],
        public int $visit = 1,
        public ?DateTimeImmutable $since = null,
        public string $view = '',
        public array $facts = [],
        public array $joined = [],
        public bool $fromEmail = false,
        public ?DateTimeImmutable $clicked = null,
        public bool $bought = false,
        public ?PersonState $person = null,
        public ?TriggerKind $trigger = null,
    ) {
    }

    /** Have they joined anything on this visit? */
    public function hasJoinedNow(): bool
    {
        return array_filter($this->joined, fn (DateTimeImmutable $at): bool => $this->since !== null && $at >= $this->since) !== [];
    }

    /** Did this visit begin with a link in an email of ours, or was one followed just before it or in it? */
    public function isFromEmail(): bool
    {
        return $this->fromEmail || ($this->clicked !== null && $this->since !== null
            && $this->clicked >= $this->since->modify('-'.self::CLICK.' seconds'));
    }

    /** @return list<PopupFact> of one type, of one pop-up or of all */
    public function facts(PopupFactType $type, ?string $popup = null): array
    {
        return array_values(array_filter($this->facts,
            fn (PopupFact $f): bool => $f->type === $type && ($popup === null || $f->popup === $popup)));
    }

    public function latest(PopupFactType $type, ?string $popup = null): ?PopupFact
    {
        $latest = null;
        foreach ($this->facts($type, $popup) as $fact) {
            $latest = $latest === null || $fact->at > $latest->at ? $fact : $latest;
        }

        return $latest;
    }
}
