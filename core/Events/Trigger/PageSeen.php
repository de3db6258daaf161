<?php

declare(strict_types=1);

namespace Lantern\Core\Events\Trigger;

use Lantern\Core\Support\Shape;

/** Somebody sees a page, for the first time or for the how-manieth; strangers, too, whom only their browser is known by. */
final readonly class PageSeen implements Trigger
{
    public const MOST_TIMES = 20;

    /** @param  int  $times  from how many views on; 1 for the first */
    public function __construct(public string $page, public int $times = 1)
    {
    }

    public static function kind(): string
    {
        return 'page';
    }

    public static function label(): string
    {
        return 'They see a page';
    }

    public static function fields(): array
    {
        return ['page' => 'page', 'times' => 'times'];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('page', 40), $shape->integer('times', 1, self::MOST_TIMES, 1));
    }

    public static function keyOf(string $page, int $times = 1): string
    {
        return "seen:{$page}".($times === 1 ? '' : ":{$times}");
    }

    /** @return list<string> of all that wait for this view, or would have been set off by an earlier one */
    public static function keysOf(string $page, int $times): array
    {
        return array_map(fn (int $n): string => self::keyOf($page, $n), range(1, max(1, min($times, self::MOST_TIMES))));
    }

    public function key(): string
    {
        return self::keyOf($this->page, $this->times);
    }

    public function words(callable $name): string
    {
        return "Saw “{$name($this->page)}”".($this->times === 1 ? '' : " {$this->times} times");
    }

    public function when(callable $name): string
    {
        return "see “{$name($this->page)}”".($this->times === 1 ? '' : " {$this->times} times");
    }

    public function references(): array
    {
        return [$this->page];
    }

    public function withIds(array $ids): self
    {
        return new self($ids[$this->page] ?? $this->page, $this->times);
    }

    public function toArray(): array
    {
        return ['kind' => self::kind(), 'page' => $this->page] + ($this->times === 1 ? [] : ['times' => $this->times]);
    }
}
