<?php

declare(strict_types=1);

namespace Lantern\Core\Email;

use Lantern\Core\Support\Shape;

/** An email of a funnel's sequence: who joins gets it after its delay. The body is sanitised HTML. */
final readonly class EmailPlan
{
    public function __construct(
        public string $id,
        public string $name,
        public string $subject,
        public string $body,
        public Delay $delay,
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('id', 40), $shape->text('name', 120), $shape->text('subject', 200),
            $shape->text('body', 50_000), Delay::fromShape($shape->optionalGroup('delay')));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'subject' => $this->subject, 'body' => $this->body]
            + ($this->delay->toArray() === [] ? [] : ['delay' => $this->delay->toArray()]);
    }

    /** Does the letter hold the link to the gift? It is written as the merge field `{{download_link}}`. */
    public function linksToGift(): bool
    {
        return str_contains($this->body, '{{download_link}}');
    }
}
