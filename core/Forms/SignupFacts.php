<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

/** What is known of an address when a form with it is sent. */
final readonly class SignupFacts
{
    /**
     * @param  bool  $isKnown  is there anybody with this address already?
     * @param  bool  $hasLeft  had they unsubscribed?
     * @param  bool  $isProven  did they come by a link that only an email to it holds?
     */
    public function __construct(public bool $isKnown = false, public bool $hasLeft = false, public bool $isProven = false)
    {
    }
}
