<?php

declare(strict_types=1);

namespace App\Forms;

/** The pop-up in which a form was filled in, and the other site on which it stood, where it did. */
final readonly class PopupOrigin
{
    public function __construct(public string $popup, public ?string $site = null, public ?string $path = null)
    {
    }
}
