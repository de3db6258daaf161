<?php

declare(strict_types=1);

namespace Lantern\Core\Sequences;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * A sequence: who starts it, what ends it before its last email, and when its emails may go out. Forms start it by its
 * id ({@see \Lantern\Core\Forms\FormPlan}); getting one of `startTags` starts it too. `byReader` computes its days and
 * hours in the reader's own zone where it is known, else in the owner's.
 */
final readonly class SequencePlan
{
    /**
     * @param  list<string>  $startTags
     * @param  list<string>  $endTags
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $startTags = [],
        public array $endTags = [],
        public bool $endsOnBuying = true,
        public bool $again = false,
        public SendWindow $window = new SendWindow([1, 2, 3, 4, 5, 6, 7], 0, 24),
        public bool $byReader = true,
    ) {
    }

    /** @throws Invalid when it has no name, or the same tag would start and end it */
    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 120));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please give the sequence a name. Only you will see it.');
        }
        $start = self::tags($shape, 'startTags');
        $end = self::tags($shape, 'endTags');
        foreach ($end as $tag) {
            if (in_array(mb_strtolower($tag), array_map(mb_strtolower(...), $start), true)) {
                throw Invalid::at($shape->path('endTags'), "The tag “{$tag}” cannot both start this sequence and end it.");
            }
        }

        return new self($shape->text('id', 40), $name, $start, $end, $shape->flag('endsOnBuying', true), $shape->flag('again'),
            SendWindow::fromShape($shape->optionalGroup('window')), $shape->flag('byReader', true));
    }

    /** @return list<string> each once, whatever its capitals */
    private static function tags(Shape $shape, string $key): array
    {
        $tags = [];
        foreach ($shape->texts($key, 10, 60) as $tag) {
            $tag = trim((string) preg_replace('/\s+/u', ' ', $tag));
            if ($tag !== '') {
                $tags[mb_strtolower($tag)] ??= $tag;
            }
        }

        return array_values($tags);
    }

    public function startsOn(string $tag): bool
    {
        return in_array(mb_strtolower($tag), array_map(mb_strtolower(...), $this->startTags), true);
    }

    public function endsOn(string $tag): bool
    {
        return in_array(mb_strtolower($tag), array_map(mb_strtolower(...), $this->endTags), true);
    }

    /** @return array<string, mixed> only what differs from a plain sequence, beside id and name */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name] + array_filter([
            'startTags' => $this->startTags, 'endTags' => $this->endTags, 'again' => $this->again, 'window' => $this->window->toArray(),
        ], fn (array|bool $v): bool => $v !== [] && $v !== false)
            + ($this->endsOnBuying ? [] : ['endsOnBuying' => false]) + ($this->byReader ? [] : ['byReader' => false]);
    }
}
