<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

/** Tell a web address of the owner's about a filled-in form. */
final readonly class CallHook implements Effect
{
    use ChangesNothingKnown;

    public function __construct(public string $form, public string $url)
    {
    }
}
