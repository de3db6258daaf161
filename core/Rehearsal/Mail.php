<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;

/** An email that has come. */
final readonly class Mail
{
    /**
     * @param  string  $kind  sequence, confirm or receipt
     * @param  string  $of  the id of the email of a sequence, of the form that asks, or the number of the order
     * @param  string  $variant  the letter of what was sent, of one in a split test
     */
    public function __construct(public string $kind, public string $of, public DateTimeImmutable $at, public string $name,
        public string $variant = '')
    {
    }
}
