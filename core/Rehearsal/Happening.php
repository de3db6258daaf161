<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;

/** Something that happened in a rehearsal. */
final readonly class Happening
{
    /**
     * @param  int  $choice  after the how-manieth choice, from 1; 0 for what is so from the beginning
     * @param  string  $of  the id of what it is about: a page, an email, a deadline …; '' where it is none
     * @param  string  $words  in a sentence for the owner
     * @param  array<string, string|int|bool|null>  $facts  what else is known of it, by name
     */
    public function __construct(
        public HappeningKind $kind,
        public DateTimeImmutable $at,
        public int $choice,
        public string $of,
        public string $words,
        public array $facts = [],
    ) {
    }

    public function text(string $fact): string
    {
        return (string) ($this->facts[$fact] ?? '');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'at' => Moments::written($this->at), 'choice' => $this->choice, 'of' => $this->of,
            'words' => $this->words, 'seen' => $this->kind->isSeen()] + ($this->facts === [] ? [] : ['facts' => $this->facts]);
    }
}
