<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\RichText;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Guides\ReadingTime;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;

/** Pages of a guide are added by {@see \App\Drafts\DraftGuides}, among the others. */
final class GuidePageKind extends DraftKind
{
    public function part(): string
    {
        return GuidePage::class;
    }

    public function list(): string
    {
        return 'guidePages';
    }

    public function typed(): array
    {
        return ['name', 'document', 'hidden'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        return $part instanceof GuidePage ? $part->named(RichText::plain($part->name))
            ->with(DraftPlan::asStored(CleanDocument::of($part->document->toArray(), $business->id))) : $part;
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        throw Invalid::at('kind', 'A page is added to a guide. Open the guide first.');
    }

    /** @return list<string> */
    public function remove(DraftPart $row): array
    {
        parent::remove($row);

        return ['What people have read of it is kept, and counts again if you bring it back.'];
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof GuidePage ? [] : ['guide' => $part->guide, 'hidden' => $part->hidden,
            'headline' => $part->document->headline(), 'seconds' => ReadingTime::of($part->document),
            'document' => $part->document->toArray()];
    }
}
