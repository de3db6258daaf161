<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

use DomainException;

/**
 * Something handed to the core does not have the shape or the meaning it must have.
 * The message is one sentence that can be shown to the owner; `$path` says where, such as `sections.0.blocks.2.text`.
 */
final class Invalid extends DomainException
{
    private function __construct(string $message, public readonly string $path)
    {
        parent::__construct($message);
    }

    public static function at(string $path, string $message): self
    {
        return new self($message, $path);
    }
}
