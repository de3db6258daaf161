<?php

declare(strict_types=1);

namespace Lantern\Core\Parts;

/** What most parts have in common: they are called by their `name`, need and show nothing, and are compared as a whole. */
trait PlainPart
{
    public function id(): string
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function references(): array
    {
        return $this->needs();
    }

    public function needs(): array
    {
        return [];
    }

    public function uploads(): array
    {
        return [];
    }

    public function changesSince(Part $before): array
    {
        return $before->toArray() === $this->toArray() ? [] : ['Changed '.static::label().": “{$this->name()}”."];
    }
}
