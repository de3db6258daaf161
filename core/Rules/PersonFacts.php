<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\People\Subscription;

/** What is known of one person when a rule is asked. */
final readonly class PersonFacts
{
    /**
     * Fields that stand on the person itself; no field of the owner's own takes their place. They are text, and neither numbers nor days.
     */
    public const OF_PERSON = ['first_name', 'last_name', 'email', 'phone', 'timezone'];

    /**
     * @param  DateTimeZone  $zone  in which days begin and end: the owner's
     * @param  array<string, list<string>>  $values  fields by name, the owner's own among them; several values for several choices
     * @param  list<string>  $tags
     * @param  list<array{did: Deed, with: string, at: DateTimeImmutable}>  $deeds  `with` is the id of the page, funnel or email; one deed
     *     stands once for each
     * @param  array<string, Run>  $deadlines  by id, those that run for them or ran
     * @param  array<string, list<string>>  $webinars  by id, what is known of them there: {@see WebinarRule::STATES}
     */
    public function __construct(
        public DateTimeImmutable $now,
        public DateTimeZone $zone,
        public array $values = [],
        public array $tags = [],
        public array $deeds = [],
        public Subscription $subscription = Subscription::Subscribed,
        public ?DateTimeImmutable $joined = null,
        public ?DateTimeImmutable $active = null,
        public array $deadlines = [],
        public array $webinars = [],
    ) {
    }
}
