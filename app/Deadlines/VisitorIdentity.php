<?php

declare(strict_types=1);

namespace App\Deadlines;

use App\Records\DeadlineOwner;
use DateTimeZone;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\Deadline;

/** Who somebody is, as far as deadlines are concerned. What a browser says of itself alone never makes anybody a person. */
final readonly class VisitorIdentity
{
    /**
     * @param  list<string>  $people  ids of those it is known to be: whose browser it is, and whose address was typed
     * @param  string|null  $visitor  the browser's own id
     * @param  DateTimeZone  $zone  theirs as far as it is known, else the owner's
     * @param  bool  $owner  the owner at work, for whom no deadline runs
     */
    public function __construct(
        public array $people,
        public ?string $visitor,
        public string $ip,
        public DateTimeZone $zone,
        public bool $owner = false,
    ) {
    }

    /** The same in a browser that has an id. */
    public function in(string $visitor): self
    {
        return new self($this->people, $visitor, $this->ip, $this->zone, $this->owner);
    }

    /** The person whose browser it is. */
    public static function personOf(?string $visitor): ?string
    {
        $person = $visitor === null ? null : DB::table('visitor_person')->where('visitor', $visitor)->value('person_id');

        return is_string($person) ? $person : null;
    }

    /**
     * With everybody who has the same mailbox: another address for it is no other person where time is limited.
     *
     * @param  list<string>  $people  ids
     * @return list<string>
     */
    public static function ofMailboxes(array $people): array
    {
        return $people === [] ? [] : array_values(array_unique([...$people, ...array_map(strval(...), DB::table('people')
            ->join('people as known', fn (JoinClause $join) => $join->on('known.mailbox', '=', 'people.mailbox')
                ->on('known.business_id', '=', 'people.business_id'))
            ->whereIn('known.id', $people)->where('people.mailbox', '!=', '')->orderBy('people.id')->pluck('people.id')->all())]));
    }

    /** @return list<string> keys of those whose runs of a deadline are theirs */
    public function holders(Deadline $deadline): array
    {
        $people = array_map(fn (string $id): string => DeadlineOwner::person($id)->key, $this->people);

        return [...$people, ...($this->visitor === null ? [] : [DeadlineOwner::browser($this->visitor)->key]),
            ...($people === [] && $deadline->byAddress ? [DeadlineOwner::address($this->ip, $deadline->id)->key] : [])];
    }
}
