<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

/** They may not open any more what a product holds. */
final readonly class TakesAccess implements Act
{
    use OfPart;

    private const KIND = 'take-access';

    private const FIELD = 'product';

    private const CHOOSE = 'Please choose a product.';

    public static function label(): string
    {
        return 'Take access away';
    }

    public function words(callable $name): string
    {
        return "their access to {$this->called($name)} ends";
    }
}
