<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Promises\Choice;

/** A place that a way has come to while all of them are tried. */
final readonly class Explored
{
    public DateTimeImmutable $start;

    /**
     * @param  list<Choice>  $way
     * @param  list<string>  $clicked  links that were followed in it, each with its email
     */
    public function __construct(public Life $life, public array $way, public array $clicked = [], ?DateTimeImmutable $start = null)
    {
        $this->start = $start ?? $life->now;
    }

    /** The same life goes on by itself, with one choice more. */
    public function with(Choice $choice): self
    {
        $link = "{$choice->of} {$choice->to}";

        return new self(clone $this->life, [...$this->way, $choice], [...$this->clicked, $link], $this->start);
    }
}
