<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** When somebody has finished a guide. */
final readonly class FinishRule
{
    /** @param  int  $share  in percent; of a rule by a share alone */
    public function __construct(public FinishKind $kind = FinishKind::All, public int $share = 80)
    {
    }

    public static function fromShape(?Shape $shape): self
    {
        return $shape === null ? new self : new self($shape->choice('kind', FinishKind::class, FinishKind::All->value),
            $shape->integer('share', 10, 100, 80));
    }

    /**
     * @param  list<string>  $pages  ids of all pages, in order
     * @param  list<string>  $read  ids of those that were read
     * @param  list<string>  $seen  ids of those that were looked at
     */
    public function holds(array $pages, array $read, array $seen): bool
    {
        $count = count(array_intersect($pages, $read));

        return $pages !== [] && match ($this->kind) {
            FinishKind::All => $count === count($pages),
            FinishKind::Share => $count * 100 >= $this->share * count($pages),
            FinishKind::Last => in_array($pages[count($pages) - 1], $seen, true),
        };
    }

    /** @return array<string, mixed> */
    public static function schema(): array
    {
        return Written::group(['kind' => Written::choice(FinishKind::class), 'share' => Written::whole(10, 100, 'in percent')]);
    }

    /** @return array{kind?: string, share?: int} nothing where every page is to be read */
    public function toArray(): array
    {
        return $this->kind === FinishKind::All ? [] : ['kind' => $this->kind->value]
            + ($this->kind === FinishKind::Share ? ['share' => $this->share] : []);
    }
}
