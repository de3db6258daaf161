<?php

declare(strict_types=1);

namespace App\Rendering;

use App\Models\DraftPart;
use App\Models\Funnel;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Drawing\PageDrawing;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\SharedSection;
use Lantern\Core\Support\Shape;

/** Small drawings of pages for lists and the timeline, as SVG. */
final class PageDrawings
{
    /** @return array<string, string> of all pages of a funnel, by page id */
    public static function ofPlan(Plan $plan): array
    {
        $drawings = [];
        foreach ($plan->pages as $page) {
            $drawings[$page->id] = self::draw($page->document, $plan->look(), $plan->partsOf(FormPlan::class));
        }

        return $drawings;
    }

    /**
     * The first page of each draft; in one query for many as for one.
     *
     * @param  list<Funnel>  $funnels
     * @return array<string, string> by funnel id
     */
    public static function ofEntries(array $funnels): array
    {
        $rows = DraftPart::query()->whereIn('funnel_id', array_map(fn (Funnel $f): string => $f->id, $funnels))->whereNull('removed')
            ->where(fn ($q) => $q->whereIn('kind', [SharedSection::kind(), FormPlan::kind()])
                ->orWhere(fn ($q) => $q->where('kind', PagePlan::kind())->where('definition->address', '')))
            ->get()->groupBy('funnel_id');
        $drawings = [];
        foreach ($funnels as $funnel) {
            $parts = array_values($rows->get($funnel->id, collect())->map(fn (DraftPart $row): Part => $row->part())->all());
            $look = Looks::get($funnel->look)->with(LookChanges::fromShape(Shape::of($funnel->look_changes)));
            $shared = [];
            foreach ($parts as $part) {
                $shared += $part instanceof SharedSection ? [$part->id => $part->section] : [];
            }
            $forms = array_values(array_filter($parts, fn (Part $p): bool => $p instanceof FormPlan));
            foreach ($parts as $part) {
                if ($part instanceof PagePlan) {
                    $drawings[$funnel->id] = self::draw($part->document->withShared($shared), $look, $forms);
                }
            }
        }

        return $drawings;
    }

    /** @param  list<FormPlan>  $forms */
    private static function draw(Document $document, Look $funnel, array $forms): string
    {
        $fields = [];
        foreach ($forms as $form) {
            $fields[$form->id] = count($form->fields);
        }

        return PageDrawing::svg($document, $document->look === null ? $funnel : Looks::get($document->look), Looks::get(...), $fields);
    }
}
