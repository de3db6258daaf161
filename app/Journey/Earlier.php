<?php

declare(strict_types=1);

namespace App\Journey;

use DateTimeInterface;

/**
 * What visitors have seen and sent that is written down and not taken yet. What somebody does is recorded after what they have seen, and
 * what they have sent.
 */
interface Earlier
{
    /** @param  string  $visitor  a browser, by its id: what it did until that moment is taken now, in order */
    public function take(string $visitor, DateTimeInterface $until): void;
}
