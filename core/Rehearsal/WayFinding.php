<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Promises\Choice;

/** Something that goes wrong in one of all ways, with the way that shows it. */
final readonly class WayFinding
{
    /**
     * @param  string  $code  stable, for tests and for the Studio
     * @param  string  $of  the id of the email or the page it is about
     * @param  string  $words  one sentence for the owner
     * @param  DateTimeImmutable|null  $start  when that way begins
     * @param  list<Choice>  $way  what somebody does to whom it happens; none where it happens to nobody
     */
    public function __construct(public string $code, public string $of, public string $words, public array $way,
        public ?DateTimeImmutable $start = null)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['code' => $this->code, 'of' => $this->of, 'words' => $this->words, 'start' => $this->start === null ? null
            : Moments::written($this->start),
            'way' => array_map(fn (Choice $c): array => $c->toArray(), $this->way)];
    }
}
