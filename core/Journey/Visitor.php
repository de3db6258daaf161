<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeZone;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Webinars\RegisteredSession;

/** What is known of the visitor when something happens. */
final readonly class Visitor
{
    use Rebuilt;

    /**
     * @param  DateTimeZone  $zone  the visitor's own, or the owner's where it is not known
     * @param  list<string>  $emails  ids of this funnel's emails already sent to this person, or waiting to be
     * @param  list<string>  $tags  the person's tags, as written
     * @param  array<string, bool>  $sequences  by id of the sequences they entered: are they still in it?
     * @param  DateTimeZone|null  $ownerZone  where it differs from the visitor's
     * @param  list<string>  $through  ids of the sequences they are in of which no email waits for them any more
     * @param  array<string, Run>  $deadlines  by id, those that run for them or ran
     * @param  array<string, RegisteredSession>  $registrations  their sessions, by the id of the webinar
     * @param  bool  $owner  is it the owner in their own browser? No deadline begins for them.
     */
    public function __construct(
        public DateTimeZone $zone,
        public array $emails = [],
        public array $tags = [],
        public array $sequences = [],
        public ?DateTimeZone $ownerZone = null,
        public array $through = [],
        public array $deadlines = [],
        public bool $owner = false,
        public array $registrations = [],
    ) {
    }

    /** @param  list<string>  $tags */
    public function withTags(array $tags): self
    {
        return $this->changed(tags: [...$this->tags, ...$tags]);
    }

    public function asOwner(): self
    {
        return $this->changed(owner: true);
    }

    public function withDeadline(string $id, Run $run): self
    {
        return $this->changed(deadlines: [$id => $run] + $this->deadlines);
    }

    public function withRegistration(RegisteredSession $registered): self
    {
        return $this->changed(registrations: [$registered->webinar => $registered] + $this->registrations);
    }

    public function withoutRegistration(string $webinar): self
    {
        return $this->changed(registrations: array_diff_key($this->registrations, [$webinar => true]));
    }

    /** The same in a sequence that they have just entered. */
    public function inside(string $sequence): self
    {
        return $this->changed(sequences: [$sequence => true] + $this->sequences,
            through: array_values(array_diff($this->through, [$sequence])));
    }

    public function isIn(string $sequence): bool
    {
        return $this->sequences[$sequence] ?? false;
    }

    public function hasTag(string $tag): bool
    {
        return in_array(mb_strtolower($tag), array_map(mb_strtolower(...), $this->tags), true);
    }
}
