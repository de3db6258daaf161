<?php

declare(strict_types=1);

namespace Lantern\Core\Journey;

use DateTimeImmutable;

/** Something a visitor just did. */
final readonly class Event
{
    public function __construct(
        public EventType $type,
        public DateTimeImmutable $at,
        public ?string $page = null,
        public ?string $form = null,
        public ?string $tag = null,
    ) {
    }
}
