<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;

/** A form that was filled in, and waits for its address to be confirmed. */
final readonly class AskedForm
{
    /**
     * @param  string  $form  its id; likewise of the page and the pop-up it was in
     * @param  string  $session  the key of the session that was chosen in it
     * @param  array<string, string>  $answers
     * @param  bool|null  $marketing  what the box of its own said; null where there is none
     * @param  int  $device  on which it was filled in
     */
    public function __construct(public string $form, public string $page, public string $popup, public string $session,
        public array $answers, public ?bool $marketing, public int $device, public DateTimeImmutable $at)
    {
    }
}
