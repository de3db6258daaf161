<?php

declare(strict_types=1);

namespace App\Languages;

/** The phrases that ship, in one catalogue a language (`lang/`). */
interface Phrases
{
    /**
     * @param  string  $key  such as `form.old`
     * @param  string  $catalogue  such as `de-x-formal`
     * @return string|null as it is written, with its values to be filled in; null where the catalogue does not have it
     */
    public function line(string $key, string $catalogue): ?string;
}
