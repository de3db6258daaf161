<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\CleanDocument;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\SharedSection;
use Lantern\Core\Support\Shape;

final class SharedSectionKind extends DraftKind
{
    public function part(): string
    {
        return SharedSection::class;
    }

    public function list(): string
    {
        return 'sharedSections';
    }

    public function opens(): bool
    {
        return false;
    }

    public function typed(): array
    {
        return ['name', 'section'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        return $part instanceof SharedSection
            ? new SharedSection($part->id, $part->name, CleanDocument::one($part->section->toArray(), $business->id)) : $part;
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        return $this->cleaned(SharedSection::fromShape(Shape::of(['id' => Ids::next(), 'name' => $typed['name'] ?? '',
            'section' => $typed['section'] ?? null])), $funnel->business);
    }

    public function json(DraftPart $row, Part $part): array
    {
        return $part instanceof SharedSection ? ['section' => $part->section->toArray()] : [];
    }
}
