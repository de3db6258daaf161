<?php

declare(strict_types=1);

namespace Lantern\Core\Journey\Effects;

final readonly class AddTag implements Effect
{
    public function __construct(public string $tag)
    {
    }
}
