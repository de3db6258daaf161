<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

/** They may open what a product holds, without having bought it. */
final readonly class GivesAccess implements Act
{
    use OfPart;

    private const KIND = 'give-access';

    private const FIELD = 'product';

    private const CHOOSE = 'Please choose a product.';

    public static function label(): string
    {
        return 'Give access';
    }

    public function words(callable $name): string
    {
        return "they get access to {$this->called($name)}";
    }
}
