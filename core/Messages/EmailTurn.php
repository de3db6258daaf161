<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/**
 * The how-manieth time an email of a sequence is somebody's: in which run of the sequence, in which run of the deadline it is told
 * from, and for which registration. One email goes to one person once for each.
 */
final readonly class EmailTurn
{
    /**
     * @param  int  $run  1 for the first time they are in the sequence
     * @param  int  $deadlineRun  1 for the first time its deadline runs for them, and for an email that is told from none
     * @param  string|null  $registration  the id of the registration it is told from; null for an email that is told from none
     * @param  int  $registrationNumber  how often that was changed
     */
    public function __construct(
        public int $run = 1,
        public int $deadlineRun = 1,
        public ?string $registration = null,
        public int $registrationNumber = 0,
    ) {
    }

    /** The key by which such a message is there once. It is compared as a whole, and nothing is read from it. */
    public function key(string $email, string $person): string
    {
        return "sequence:{$email}:{$person}".($this->run > 1 ? ":{$this->run}" : '')
            .($this->deadlineRun > 1 ? ":d{$this->deadlineRun}" : '')
            .($this->registration === null ? '' : ":s{$this->registration}.{$this->registrationNumber}");
    }

    /** Is it told from the same registration, as it was when it had changed so often? */
    public function isOf(?string $registration, int $number): bool
    {
        return $this->registration === $registration && ($registration === null || $this->registrationNumber === $number);
    }
}
