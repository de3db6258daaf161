<?php

declare(strict_types=1);

namespace App\Rendering;

/** What the views of a form ask of the page around it, where there is none. */
final readonly class PlainView
{
    public function editing(): bool
    {
        return false;
    }
}
