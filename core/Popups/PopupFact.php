<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use DateTimeImmutable;

/** Something that a pop-up did for one person or browser. */
final readonly class PopupFact
{
    /** @param  string  $view  the view of a page on which it happened */
    public function __construct(
        public string $popup,
        public PopupFactType $type,
        public DateTimeImmutable $at,
        public string $view = '',
    ) {
    }
}
