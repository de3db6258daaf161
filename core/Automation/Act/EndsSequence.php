<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

/** They leave a sequence: what of it waits is not sent. */
final readonly class EndsSequence implements Act
{
    use OfPart;

    private const KIND = 'end-sequence';

    private const FIELD = 'sequence';

    private const CHOOSE = 'Please choose a sequence.';

    public static function label(): string
    {
        return 'End a sequence';
    }

    public function words(callable $name): string
    {
        return "{$this->called($name)} ends for them";
    }
}
