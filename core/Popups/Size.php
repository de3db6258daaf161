<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** How much room a pop-up takes where the screen has it. */
enum Size: string
{
    case Small = 'small';
    case Medium = 'medium';
    case Large = 'large';

    public function label(): string
    {
        return ucfirst($this->value);
    }
}
