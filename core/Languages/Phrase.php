<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

/** What is meant to be said to a visitor, before it is said in their language: the key of a phrase, and the values that it speaks of. */
final readonly class Phrase
{
    /**
     * @param  string  $key  such as `form.missing`
     * @param  array<string, int|float|string|Spoken|self>  $values  by name
     */
    private function __construct(public string $key, public array $values)
    {
    }

    /** @param  array<string, int|float|string|Spoken|self>  $values  by name */
    public static function of(string $key, array $values = []): self
    {
        return new self($key, $values);
    }
}
