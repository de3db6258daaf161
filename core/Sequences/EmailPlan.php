<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use Lantern\Core\Rules\Group;
use Lantern\Core\Support\Shape;

/**
 * An email of a sequence: who is in it gets the email after its delay, if `only` holds for them at that moment. Two
 * emails at one moment, one for those for whom something holds and one for the others, are a branch. The body is
 * sanitised HTML.
 */
final readonly class EmailPlan
{
    public function __construct(
        public string $id,
        public string $name,
        public string $subject,
        public string $body,
        public Delay $delay,
        public string $sequence = '',
        public Group $only = new Group(true, []),
    ) {
    }

    public static function fromShape(Shape $shape): self
    {
        $only = $shape->optionalGroup('only');

        return new self($shape->text('id', 40), $shape->text('name', 120), $shape->text('subject', 200),
            $shape->text('body', 50_000), Delay::fromShape($shape->optionalGroup('delay')), $shape->text('sequence', 40, ''),
            $only === null ? Group::everybody() : Group::fromShape($only));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'subject' => $this->subject, 'body' => $this->body]
            + ($this->delay->toArray() === [] ? [] : ['delay' => $this->delay->toArray()])
            + ($this->sequence === '' ? [] : ['sequence' => $this->sequence])
            + ($this->only->isEverybody() ? [] : ['only' => $this->only->toArray()]);
    }

    public function in(string $sequence): self
    {
        return new self($this->id, $this->name, $this->subject, $this->body, $this->delay, $sequence, $this->only);
    }

    /** Does the letter hold the link to the gift? It is written as the merge field `{{download_link}}`. */
    public function linksToGift(): bool
    {
        return str_contains($this->body, '{{download_link}}');
    }
}
