<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Rules of which all must hold, or any. A group without rules holds for everybody. */
final readonly class Group implements Condition
{
    public const DEEPEST = 4;

    public const MOST = 40;

    /** @param  list<Condition>  $of */
    public function __construct(public bool $all, public array $of)
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
            throw Invalid::at($shape->path('of'), 'Groups within groups go '.self::DEEPEST.' deep at most.');
        }
        $of = [];
        foreach ($shape->groups('of', self::MOST) as $item) {
            $of[] = $item->has('what') ? Rule::fromShape($item) : self::fromShape($item, $depth + 1);
        }

        return new self($shape->flag('all', true), $of);
    }

    public static function fromArray(mixed $data): self
    {
        return self::fromShape(Shape::of($data, 'rules'));
    }

    public function isEverybody(): bool
    {
        return $this->of === [];
    }

    public function holds(PersonFacts $facts): bool
    {
        foreach ($this->of as $condition) {
            if ($condition->holds($facts) !== $this->all) {
                return ! $this->all;
            }
        }

        return $this->all || $this->of === [];
    }

    /** @return list<Rule> every rule in it, however deep */
    public function rules(): array
    {
        $rules = [];
        foreach ($this->of as $condition) {
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
        if ($this->of === []) {
            return 'everybody';
        }
        $parts = array_map(fn (Condition $c): string => match (true) {
            $c instanceof self => count($c->of) > 1 ? '('.$c->words($name).')' : $c->words($name),
            $c instanceof Rule => $c->words($name),
            default => '',
        }, $this->of);

        return implode($this->all ? ' and ' : ' or ', $parts);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['all' => $this->all, 'of' => array_map(fn (Condition $c): array => $c->toArray(), $this->of)];
    }
}
