<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use Lantern\Core\Events\Trigger\Bought;
use Lantern\Core\Events\Trigger\Trigger;
use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A sequence: what starts it, what ends it before its last email, and when its emails may go out. `byReader` computes
 * its days and hours in the reader's own zone where it is known, else in the owner's.
 */
final readonly class SequencePlan implements Part
{
    use PlainPart;
    use Rebuilt;

    public function __construct(
        public string $id,
        public string $name,
        public Triggers $starts = new Triggers,
        public Triggers $ends = new Triggers([new Bought]),
        public bool $again = false,
        public SendWindow $window = new SendWindow([1, 2, 3, 4, 5, 6, 7], 0, 24),
        public bool $byReader = true,
    ) {
    }

    public static function kind(): string
    {
        return 'sequence';
    }

    public static function label(): string
    {
        return 'sequence';
    }

    public static function most(): int
    {
        return 20;
    }

    /** @throws Invalid when it has no name, or the same thing would start and end it */
    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the sequence a name. Only you will see it.');
        }
        $starts = Triggers::fromShape($shape, 'starts');
        $ends = Triggers::fromShape($shape, 'ends');
        foreach ($ends->list as $trigger) {
            if ($starts->has($trigger)) {
                throw Invalid::at($shape->path('ends'), self::both($trigger));
            }
        }

        return new self($shape->text('id', 40), $name, $starts, $ends, $shape->flag('again'),
            SendWindow::fromShape($shape->optionalGroup('window')), $shape->flag('byReader', true));
    }

    private static function both(Trigger $trigger): string
    {
        return 'The same thing cannot both start this sequence and end it: “'.$trigger::label().'”'
            .(isset($trigger->toArray()['tag']) ? ", “{$trigger->toArray()['tag']}”." : '.');
    }

    /** The same with other triggers. */
    public function with(?Triggers $starts = null, ?Triggers $ends = null): self
    {
        return $this->changed(starts: $starts ?? $this->starts, ends: $ends ?? $this->ends);
    }

    public function references(): array
    {
        return [...$this->starts->references(), ...$this->ends->references()];
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, starts: $this->starts->withIds($ids), ends: $this->ends->withIds($ids));
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'name' => Written::text(120, least: 1), 'starts' => Written::ref('triggers', 'any one of these starts it'),
            'ends' => Written::ref('triggers', 'any one of these ends it'),
            'again' => Written::flag('may be entered again once it has ended'),
            'byReader' => Written::flag('in the reader\'s zone; true where it is not said'), 'window' => Written::ref('window'),
        ], ['name']);
    }

    /** @return array<string, mixed> only what differs from a sequence that nothing starts or ends, beside id and name */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name] + array_filter([
            'starts' => $this->starts->toArray(), 'ends' => $this->ends->toArray(), 'again' => $this->again,
            'window' => $this->window->toArray(),
        ], fn (array|bool $v): bool => $v !== [] && $v !== false) + ($this->byReader ? [] : ['byReader' => false]);
    }

    public function changesSince(Part $before): array
    {
        if (! $before instanceof self) {
            return [];
        }
        $what = array_keys(array_filter([
            'its name' => $before->name !== $this->name,
            'what starts it' => $before->starts->toArray() !== $this->starts->toArray(),
            'what ends it' => $before->ends->toArray() !== $this->ends->toArray(),
            'whether people can be in it again' => $before->again !== $this->again,
            'when its emails may go out' => $before->window->toArray() !== $this->window->toArray()
                || $before->byReader !== $this->byReader,
        ]));

        return $what === [] ? [] : ["Changed sequence: “{$this->name}” (".implode(', ', $what).').'];
    }
}
