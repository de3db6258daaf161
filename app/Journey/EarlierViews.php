<?php

declare(strict_types=1);

namespace App\Journey;

/** Views of pages that are written down and not counted yet. What somebody does is recorded after what they have seen. */
interface EarlierViews
{
    /** @param  string  $visitor  a browser, by its id: its views are counted now */
    public function count(string $visitor): void;
}
