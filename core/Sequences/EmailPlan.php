<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use Lantern\Core\Deadlines\DeadlineMoment;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Rules\Group;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\SessionMoment;

/**
 * An email of a sequence: who is in it gets the email after its delay, or at a moment told from a deadline or a webinar session of
 * theirs, if `only` holds for them at that moment. Two
 * emails at one moment, one for those for whom something holds and one for the others, are a branch. The body is
 * sanitised HTML.
 */
final readonly class EmailPlan implements Part
{
    use PlainPart;
    use Rebuilt;

    public function __construct(
        public string $id,
        public string $name,
        public string $subject,
        public string $body,
        public Delay $delay,
        public string $sequence = '',
        public Group $only = new Group(true, []),
        public ?DeadlineMoment $by = null,
        public ?SessionMoment $session = null,
    ) {
    }

    public static function kind(): string
    {
        return 'email';
    }

    public static function label(): string
    {
        return 'email';
    }

    public static function most(): int
    {
        return 60;
    }

    public static function fromShape(Shape $shape): self
    {
        $only = $shape->optionalGroup('only');
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the email a name. Only you will see it.');
        }

        return new self($shape->text('id', 40), $name, $shape->text('subject', 200),
            $shape->text('body', 50_000), Delay::fromShape($shape->optionalGroup('delay')), $shape->text('sequence', 40, ''),
            $only === null ? Group::everybody() : Group::fromShape($only), DeadlineMoment::optional($shape->optionalGroup('by')),
            SessionMoment::optional($shape->optionalGroup('session')));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'subject' => $this->subject, 'body' => $this->body]
            + ($this->delay->toArray() === [] ? [] : ['delay' => $this->delay->toArray()])
            + ($this->sequence === '' ? [] : ['sequence' => $this->sequence])
            + ($this->only->isEverybody() ? [] : ['only' => $this->only->toArray()])
            + ($this->by === null ? [] : ['by' => $this->by->toArray()])
            + ($this->session === null ? [] : ['session' => $this->session->toArray()]);
    }

    public function needs(): array
    {
        return $this->sequence === '' ? [] : [$this->sequence];
    }

    public function references(): array
    {
        return [...$this->needs(), ...$this->only->references(), ...EmailBody::references($this->body),
            ...($this->by === null ? [] : [$this->by->deadline]),
            ...($this->session === null || $this->session->webinar === '' ? [] : [$this->session->webinar])];
    }

    public function uploads(): array
    {
        return EmailBody::pictures($this->body);
    }

    public function withBody(string $body): self
    {
        return $this->changed(body: $body);
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, body: EmailBody::withIds($this->body, $ids),
            sequence: $ids[$this->sequence] ?? $this->sequence, only: $this->only->withIds($ids),
            by: $this->by?->withIds($ids), session: $this->session?->withIds($ids));
    }

    /** Does the email hold the link to the lead magnet? It is written as the merge field `{{download_link}}`. */
    public function linksToLeadMagnet(): bool
    {
        return str_contains($this->body, '{{download_link}}');
    }

    /** @return array<string, mixed> its moment in written form, to be compared with another */
    public function when(): array
    {
        return match (true) {
            $this->by !== null => ['by' => $this->by->toArray()],
            $this->session !== null => ['session' => $this->session->toArray()],
            default => $this->delay->toArray(),
        };
    }

    /** Is its moment told from something that may not have begun for its reader, or may move? */
    public function isTold(): bool
    {
        return $this->by !== null || $this->session !== null;
    }

    /** Where it stands among the emails of its sequence, in minutes from joining. */
    public function offset(): int
    {
        return $this->isTold() ? 0 : $this->delay->offset();
    }

    public function changesSince(Part $before): array
    {
        if (! $before instanceof self) {
            return [];
        }
        $what = array_keys(array_filter([
            'its name' => $before->name !== $this->name,
            'its subject' => $before->subject !== $this->subject,
            'its text' => $before->body !== $this->body,
            'when it goes out' => $before->when() !== $this->when(),
            'its sequence' => $before->sequence !== $this->sequence,
            'who gets it' => $before->only->toArray() !== $this->only->toArray(),
        ]));

        return $what === [] ? [] : ["Changed email: “{$this->name}” (".implode(', ', $what).').'];
    }
}
