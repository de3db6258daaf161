<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Rules of which all must hold, or any. A group without rules holds for everybody. */
final readonly class Group implements Condition
{
    public const DEEPEST = 4;

    public const MOST = 40;

    /** @param  list<Condition>  $conditions */
    public function __construct(public bool $all, public array $conditions)
    {
    }

    public static function everybody(): self
    {
        return new self(true, []);
    }

    /** @throws Invalid for a rule that is none, more than forty in a group, or groups more than four deep */
    public static function fromShape(Shape $shape, int $depth = 1): self
    {
        if ($depth > self::DEEPEST) {
            throw Invalid::at($shape->path('rules'), 'Groups within groups go '.self::DEEPEST.' deep at most.');
        }
        $conditions = [];
        foreach ($shape->groups('rules', self::MOST) as $item) {
            $conditions[] = $item->has('kind') ? Rules::fromShape($item) : self::fromShape($item, $depth + 1);
        }

        return new self($shape->flag('all', true), $conditions);
    }

    public static function fromArray(mixed $data): self
    {
        return self::fromShape(Shape::of($data, 'rules'));
    }

    public function isEverybody(): bool
    {
        return $this->conditions === [];
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        foreach ($this->conditions as $condition) {
            if ($condition->holds($person, $now) !== $this->all) {
                return ! $this->all;
            }
        }

        return $this->all || $this->conditions === [];
    }

    /** @return list<Rule> every rule in it, however deep */
    public function rules(): array
    {
        $rules = [];
        foreach ($this->conditions as $condition) {
            array_push($rules, ...$condition instanceof self ? $condition->rules() : ($condition instanceof Rule ? [$condition] : []));
        }

        return $rules;
    }

    /**
     * In words: "has the tag “Cellist” and opened “Welcome”".
     *
     * @param  callable(string $id): string  $name  what a thing is called, by its id
     */
    public function words(callable $name): string
    {
        if ($this->conditions === []) {
            return 'everybody';
        }
        $parts = array_map(fn (Condition $c): string => match (true) {
            $c instanceof self => count($c->conditions) > 1 ? '('.$c->words($name).')' : $c->words($name),
            $c instanceof Rule => $c->words($name),
            default => '',
        }, $this->conditions);

        return implode($this->all ? ' and ' : ' or ', $parts);
    }

    /** @return list<string> ids of pages, funnels, emails and broadcasts its rules speak of */
    public function references(): array
    {
        return array_merge([], ...array_map(fn (Rule $r): array => $r->references(), $this->rules()));
    }

    /**
     * The same, speaking of other things.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public function withIds(array $ids): self
    {
        return new self($this->all, array_map(fn (Condition $c): Condition => match (true) {
            $c instanceof self, $c instanceof Rule => $c->withIds($ids),
            default => $c,
        }, $this->conditions));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['all' => $this->all, 'rules' => array_map(fn (Condition $c): array => $c->toArray(), $this->conditions)];
    }
}
