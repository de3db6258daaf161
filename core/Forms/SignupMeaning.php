<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

/** What a filled-in form means. */
final readonly class SignupMeaning
{
    /**
     * @param  bool  $waits  is the address asked for first, and nothing follows before it is confirmed?
     * @param  bool  $theirs  is it its person's doing? Otherwise anybody may have typed it, and nothing that is known is changed.
     * @param  bool  $consented  was the form's consent given?
     * @param  bool|null  $marketing  was the box of its own ticked? Null where there is none.
     */
    public function __construct(public bool $waits, public bool $theirs, public bool $consented, public ?bool $marketing)
    {
    }
}
