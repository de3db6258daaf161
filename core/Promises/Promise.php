<?php

declare(strict_types=1);

namespace Lantern\Core\Promises;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Parts\Part;
use Lantern\Core\Parts\PlainPart;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A rehearsed way that is kept: who goes it, from when, what they do, and what happened. It is played again at every publishing. It
 * belongs to the draft of a funnel and to no version: visitors never meet it.
 */
final readonly class Promise implements Part
{
    use PlainPart;
    use Rebuilt;

    /**
     * @param  DateTimeImmutable  $start  in UTC
     * @param  list<Choice>  $choices
     * @param  list<Expected>  $expected  what happened when it was kept
     * @param  list<Aspect>  $about  what of it must hold
     */
    public function __construct(
        public string $id,
        public string $name,
        public Visitor $visitor,
        public DateTimeImmutable $start,
        public array $choices,
        public array $expected = [],
        public array $about = [Aspect::Pages, Aspect::Emails, Aspect::Times, Aspect::Deadlines, Aspect::Money],
    ) {
    }

    public static function kind(): string
    {
        return 'promise';
    }

    public static function label(): string
    {
        return 'promise';
    }

    public static function most(): int
    {
        return 30;
    }

    /** @throws Invalid when it has no name, nothing is done in it, or its start is no moment */
    public static function fromShape(Shape $shape): self
    {
        $name = trim($shape->text('name', 160));
        if ($name === '') {
            throw Invalid::at($shape->path('name'), 'Please say what is promised, in your own words.');
        }
        $choices = Choice::list($shape, 'choices');
        if ($choices === []) {
            throw Invalid::at($shape->path('choices'), 'Nothing was done in this rehearsal yet, so there is nothing to promise.');
        }

        return new self($shape->text('id', 40), $name, Visitor::fromShape($shape->group('visitor'), 'UTC'),
            self::moment($shape->text('start', 20), $shape->path('start')), $choices,
            array_map(Expected::fromShape(...), $shape->groups('expected', Expected::MOST)), self::aspects($shape));
    }

    /** @throws Invalid */
    public static function moment(string $written, string $path): DateTimeImmutable
    {
        $utc = new DateTimeZone('UTC');
        $moment = DateTimeImmutable::createFromFormat('!Y-m-d\TH:i:s\Z', $written, $utc);
        if ($moment === false || $moment->format('Y-m-d\TH:i:s\Z') !== $written || $written < '2000' || $written > '2100') {
            throw Invalid::at($path, 'A moment is written like 2027-03-31T18:00:00Z.');
        }

        return $moment;
    }

    /**
     * @return list<Aspect>
     *
     * @throws Invalid for one that is none
     */
    private static function aspects(Shape $shape): array
    {
        if (! $shape->has('about')) {
            return [Aspect::Pages, Aspect::Emails, Aspect::Times, Aspect::Deadlines, Aspect::Money];
        }
        $about = [];
        foreach (array_unique($shape->texts('about', 20, 20)) as $i => $named) {
            $about[] = Aspect::tryFrom($named) ?? throw Invalid::at("{$shape->path('about')}.{$i}",
                'A promise can be about no such thing.');
        }

        return $about === [] ? throw Invalid::at($shape->path('about'), 'Please choose what must hold.') : $about;
    }

    /** The same with what happens now as what must happen. */
    public function keeping(Expected ...$expected): self
    {
        return $this->changed(expected: array_values($expected));
    }

    public function isAbout(Aspect $aspect): bool
    {
        return in_array($aspect, $this->about, true);
    }

    /** What it speaks of may be removed: then it no longer holds, and says so. */
    public function references(): array
    {
        return array_values(array_unique([...array_merge([], ...array_map(fn (Choice $c): array => $c->references(), $this->choices)),
            ...array_map(strval(...), array_keys($this->visitor->letters))]));
    }

    public function withIds(array $ids): self
    {
        return $this->changed(id: $ids[$this->id] ?? $this->id, visitor: $this->visitor->withIds($ids),
            choices: array_map(fn (Choice $c): Choice => $c->withIds($ids),
                $this->choices),
            expected: array_map(fn (Expected $e): Expected => $e->withIds($ids), $this->expected));
    }

    public static function schema(): array
    {
        return Written::group(['name' => Written::text(160, 'in its owner\'s words', 1), 'visitor' => Visitor::schema(),
            'start' => Written::shaped('^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}Z$'), 'choices' => Written::listOf(Choice::schema(),
                Choice::MOST,
                least: 1),
            'expected' => Written::listOf(Expected::schema(), Expected::MOST, 'what happened when it was kept'),
            'about' => Written::listOf(Written::choice(Aspect::class), 20, 'what of it must hold')],
            ['name', 'visitor', 'start', 'choices'], 'a rehearsed way that is played again at every publishing');
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'visitor' => $this->visitor->toArray(),
            'start' => $this->start->format('Y-m-d\TH:i:s\Z'), 'choices' => array_map(fn (Choice $c): array => $c->toArray(),
                $this->choices),
            'expected' => array_map(fn (Expected $e): array => $e->toArray(), $this->expected),
            'about' => array_map(fn (Aspect $a): string => $a->value, $this->about)];
    }
}
