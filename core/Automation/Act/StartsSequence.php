<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

/** They enter a sequence, as if something that starts it had happened. */
final readonly class StartsSequence implements Act
{
    use OfPart;

    private const KIND = 'start-sequence';

    private const FIELD = 'sequence';

    private const CHOOSE = 'Please choose a sequence.';

    public static function label(): string
    {
        return 'Start a sequence';
    }

    public function words(callable $name): string
    {
        return "{$this->called($name)} starts for them";
    }
}
