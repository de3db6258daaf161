<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Promises\Choice;

/** Something that can be done next, with words for it. */
final readonly class Option
{
    /**
     * @param  string  $group  page, popup, mailbox, session, guide, time or device: where it is offered
     * @param  list<array{id: string, name: string}>  $bumps  what can be ticked beside it
     * @param  list<array{key: string, at: string}>  $sessions  that can be chosen in it
     */
    public function __construct(public Choice $choice, public string $words, public string $group, public array $bumps = [],
        public array $sessions = [])
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['choice' => $this->choice->toArray(), 'words' => $this->words, 'group' => $this->group]
            + array_filter(['bumps' => $this->bumps, 'sessions' => $this->sessions]);
    }
}
