<?php

declare(strict_types=1);

namespace App\Rendering;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\People\State\PersonState;

/** By whom a page or an email is looked at, and when, where nobody does: in a rehearsal. */
final readonly class SeenAt
{
    /**
     * @param  array<string, Run>  $runs  how deadlines run for them, by id
     * @param  array<string, string>  $reader  their merge fields by name; on a page only what its own form has asked
     * @param  PersonState  $person  all that is known of them
     */
    public function __construct(public DateTimeImmutable $now, public array $runs, public array $reader, public PersonState $person)
    {
    }
}
