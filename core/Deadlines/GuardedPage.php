<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use Lantern\Core\Support\Rebuilt;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/**
 * A page that a deadline guards. Where visitors go once their time has run out is the way that the outcome “time ran out” of
 * the page leads; before it has begun they see the page as usual, or are led to another one.
 */
final readonly class GuardedPage
{
    use Rebuilt;

    /** @param  string|null  $before  the id of the page shown in its place until the deadline has begun; null for the page itself */
    public function __construct(public string $page, public ?string $before = null)
    {
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->text('page', 40), $shape->optionalText('before', 40));
    }

    /** @return list<string> */
    public function references(): array
    {
        return $this->before === null ? [$this->page] : [$this->page, $this->before];
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return $this->changed(page: $ids[$this->page] ?? $this->page,
            before: $this->before === null ? null : $ids[$this->before] ?? $this->before);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group(['page' => Written::id(), 'before' => Written::id()], ['page']);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return ['page' => $this->page] + ($this->before === null ? [] : ['before' => $this->before]);
    }
}
