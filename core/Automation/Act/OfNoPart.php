<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

/** What acts have in common that speak of no part of a funnel. */
trait OfNoPart
{
    public static function kind(): string
    {
        return self::KIND;
    }

    public function part(): string
    {
        return '';
    }

    public function withIds(array $ids): self
    {
        return $this;
    }
}
