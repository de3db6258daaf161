<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

use ReflectionClass;

/** Rebuilds a value with some of its properties changed, by their names. All properties are those of its constructor. */
trait Rebuilt
{
    private function changed(mixed ...$changes): self
    {
        $class = new ReflectionClass(self::class);
        $copy = $class->newInstanceWithoutConstructor();
        // By reflection, since named constructors may be the only way in from elsewhere.
        $class->getConstructor()?->invokeArgs($copy, [...get_object_vars($this), ...$changes]);

        return $copy;
    }
}
