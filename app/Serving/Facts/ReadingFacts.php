<?php

declare(strict_types=1);

namespace App\Serving\Facts;

/** The visitor's own reading of a guide; the owner and whoever only looks at the open pages have none. */
final readonly class ReadingFacts
{
    /**
     * @param  string  $here  the page they were at last; '' for none
     * @param  array<string, string>  $said  what they wrote, by block, and '1' for what they ticked, by `block-number`
     */
    public function __construct(public string $id, public string $seal, public string $here, public array $said)
    {
    }
}
