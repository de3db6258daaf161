<?php

declare(strict_types=1);

namespace App\Serving\Facts;

/** Something that was uploaded, as a page shows it. */
final readonly class UploadFacts
{
    public function __construct(public string $src, public string $mime)
    {
    }
}
