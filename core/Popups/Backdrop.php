<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** What lies between a pop-up that is a dialog and the page behind it. */
enum Backdrop: string
{
    case None = 'none';
    case Light = 'light';
    case Dark = 'dark';
    case Blurred = 'blurred';

    public function label(): string
    {
        return match ($this) {
            self::None => 'Nothing',
            self::Light => 'Light overlay',
            self::Dark => 'Dark overlay',
            self::Blurred => 'The page, blurred',
        };
    }
}
