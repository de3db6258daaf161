<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Lantern\Core\Parts\Part;
use Lantern\Core\Promises\Aspect;
use Lantern\Core\Promises\Promise;
use Lantern\Core\Support\Shape;

/** Ways that are kept. They are made and played on the screen of rehearsals. */
final class PromiseKind extends DraftKind
{
    public function part(): string
    {
        return Promise::class;
    }

    public function list(): string
    {
        return 'promises';
    }

    public function opens(): bool
    {
        return false;
    }

    public function typed(): array
    {
        return ['name', 'visitor', 'start', 'choices', 'expected', 'about'];
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        return Promise::fromShape(Shape::of(['id' => Ids::next()] + array_intersect_key($typed, array_flip($this->typed()))));
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof Promise ? [] : ['visitor' => (object) $part->visitor->toArray(), 'start' => $part->toArray()['start'],
            'choices' => $part->toArray()['choices'], 'about' => array_map(fn (Aspect $a): string => $a->value, $part->about)];
    }
}
