<?php

declare(strict_types=1);

namespace Lantern\Core\Starters;

/** Says what the starters say in the language of a funnel: each text is known by its English words. */
interface StarterWords
{
    /** The words in the language, or the English ones where nobody has said them in it. Values stand in them as `:name`. */
    public function of(string $english): string;
}
