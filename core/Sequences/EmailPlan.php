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
use Lantern\Core\Support\Written;
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
        public Delay|DeadlineMoment|SessionMoment $timing,
        public string $sequence = '',
        public Group $only = new Group(true, []),
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
            $shape->text('body', 50_000), self::readTiming($shape->optionalGroup('timing')), $shape->text('sequence', 40, ''),
            $only === null ? Group::everybody() : Group::fromShape($only));
    }

    /** What a moment is told from, and how far from that; at once where nothing is said. */
    public static function readTiming(?Shape $shape): Delay|DeadlineMoment|SessionMoment
    {
        return $shape === null ? Delay::atOnce() : match ($shape->choice('from', TimingKind::class)) {
            TimingKind::Joining => Delay::fromShape($shape),
            TimingKind::Deadline => DeadlineMoment::fromShape($shape),
            TimingKind::Session => SessionMoment::fromShape($shape),
        };
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, least: 1), 'subject' => Written::text(200),
            'body' => Written::text(50_000, 'sanitised HTML with merge fields'),
            'timing' => self::timingSchema(),
            'sequence' => Written::id(), 'only' => Written::ref('group', 'for whom it is, beside being in the sequence'),
        ], ['name', 'subject', 'body']);
    }

    /** @return array<string, mixed> likewise of its moment alone */
    public static function timingSchema(): array
    {
        return ['description' => 'when it goes out; at once where it is not said', 'oneOf' => array_map(
            fn (TimingKind $kind): array => array_merge_recursive(Written::group(['from' => ['const' => $kind->value]], ['from']),
                match ($kind) {
                    TimingKind::Joining => Delay::schema(),
                    TimingKind::Deadline => DeadlineMoment::schema(),
                    TimingKind::Session => SessionMoment::schema(),
                }), TimingKind::cases())];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'subject' => $this->subject, 'body' => $this->body]
            + ($this->isAtOnce() ? [] : ['timing' => $this->writtenTiming()])
            + ($this->sequence === '' ? [] : ['sequence' => $this->sequence])
            + ($this->only->isEverybody() ? [] : ['only' => $this->only->toArray()]);
    }

    public function needs(): array
    {
        return $this->sequence === '' ? [] : [$this->sequence];
    }

    public function references(): array
    {
        return [...$this->needs(), ...$this->only->references(), ...EmailBody::references($this->body),
            ...array_filter([$this->byDeadline()->deadline ?? '', $this->bySession()->webinar ?? ''], fn (string $id): bool => $id !== '')];
    }

    public function uploads(): array
    {
        return EmailBody::pictures($this->body);
    }

    public function withBody(string $body): self
    {
        return $this->changed(body: $body);
    }

    public function withWords(string $subject, string $body): self
    {
        return $this->changed(subject: $subject, body: $body);
    }

    public function withTiming(Delay|DeadlineMoment|SessionMoment $timing): self
    {
        return $this->changed(timing: $timing);
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, body: EmailBody::withIds($this->body, $ids),
            sequence: $ids[$this->sequence] ?? $this->sequence, only: $this->only->withIds($ids),
            timing: $this->timing instanceof Delay ? $this->timing : $this->timing->withIds($ids));
    }

    /** Does the email hold the link to the lead magnet? It is written as the merge field `{{download_link}}`. */
    public function linksToLeadMagnet(): bool
    {
        return str_contains($this->body, '{{download_link}}');
    }

    /** @return array<string, mixed> when it goes out, in written form: what it is told `from`, and how far from that */
    public function writtenTiming(): array
    {
        return self::writeTiming($this->timing);
    }

    /** @return array<string, mixed> likewise of any moment */
    public static function writeTiming(Delay|DeadlineMoment|SessionMoment $timing): array
    {
        $from = match (true) {
            $timing instanceof DeadlineMoment => TimingKind::Deadline,
            $timing instanceof SessionMoment => TimingKind::Session,
            default => TimingKind::Joining,
        };

        return ['from' => $from->value] + $timing->toArray();
    }

    /** The delay after joining, where it is told from that. */
    public function delay(): ?Delay
    {
        return $this->timing instanceof Delay ? $this->timing : null;
    }

    public function byDeadline(): ?DeadlineMoment
    {
        return $this->timing instanceof DeadlineMoment ? $this->timing : null;
    }

    public function bySession(): ?SessionMoment
    {
        return $this->timing instanceof SessionMoment ? $this->timing : null;
    }

    /** Does it go out the moment its reader joins? */
    public function isAtOnce(): bool
    {
        return $this->timing instanceof Delay && $this->timing->isAtOnce();
    }

    /** Is its moment told from something that may not have begun for its reader, or may move? */
    public function isTold(): bool
    {
        return ! $this->timing instanceof Delay;
    }

    /** Where it stands among the emails of its sequence, in minutes from joining. */
    public function offset(): int
    {
        return $this->timing instanceof Delay ? $this->timing->offset() : 0;
    }

    /** When it goes out, in words. */
    public function timingWords(): string
    {
        return $this->timing->words();
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
            'when it goes out' => $before->writtenTiming() !== $this->writtenTiming(),
            'its sequence' => $before->sequence !== $this->sequence,
            'who gets it' => $before->only->toArray() !== $this->only->toArray(),
        ]));

        return $what === [] ? [] : ["Changed email: “{$this->name}” (".implode(', ', $what).').'];
    }
}
