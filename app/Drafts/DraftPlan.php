<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Way;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\LookChanges;
use Lantern\Core\Page\Section;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\OpeningTimes;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\SharedSection;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Support\Shape;

/** A funnel's draft: rows in the database on one side, one plan in the core's words on the other. */
final class DraftPlan
{
    /** The plan as it would go live: shared sections stand in the pages that show them. */
    public static function read(Funnel $funnel): Plan
    {
        $funnel->loadMissing(['business', 'parts', 'ways']);
        $parts = array_values($funnel->parts->map(fn (DraftPart $row): Part => $row->part())->all());
        $shared = self::shared($parts);
        // Emails in the order in which they come, beside the others: what is compared with nothing cannot be sorted among it.
        $emails = array_values(array_filter($parts, fn (Part $p): bool => $p instanceof EmailPlan));
        usort($emails, fn (EmailPlan $a, EmailPlan $b): int => $a->offset() <=> $b->offset());
        $parts = [...array_values(array_filter($parts, fn (Part $p): bool => ! $p instanceof EmailPlan)), ...$emails];

        return new Plan(
            id: $funnel->id, name: $funnel->name, goal: Goal::from($funnel->goal), address: $funnel->address, lookId: $funnel->look,
            changes: LookChanges::fromShape(Shape::of($funnel->look_changes)), sender: $funnel->business->sender(),
            parts: array_map(fn (Part $p): Part => self::onDocument($p, fn (Document $d): Document => $d->withShared($shared)), $parts),
            ways: DraftWays::of($funnel), logo: $funnel->logo, icon: $funnel->icon,
            fields: MergeFields::ownFields(Shape::of($funnel->fields)), parameters: MergeFields::parameterNames($funnel->parameters),
            currency: $funnel->sellsIn(), times: OpeningTimes::fromShape(Shape::of($funnel->times)),
            language: $funnel->language, own: OwnPhrases::of($funnel->phrases),
        );
    }

    /**
     * @param  list<Part>  $parts
     * @return array<string, Section> what shared sections hold, by their ids
     */
    private static function shared(array $parts): array
    {
        $shared = [];
        foreach ($parts as $part) {
            if ($part instanceof SharedSection) {
                $shared[$part->id] = $part->section;
            }
        }

        return $shared;
    }

    /** @return array<string, Section> by the id of the shared section */
    public static function sharedSections(Funnel $funnel): array
    {
        return self::shared(array_values($funnel->parts->map(fn (DraftPart $row): Part => $row->part())->all()));
    }

    /** Writes a new draft, whole or not at all. */
    public static function store(Plan $plan, Business $business): Funnel
    {
        return DB::transaction(function () use ($plan, $business): Funnel {
            $funnel = Funnel::query()->create([
                'id' => $plan->id, 'business_id' => $business->id, 'name' => $plan->name, 'goal' => $plan->goal->value,
                'address' => $plan->address, 'look' => $plan->lookId, 'look_changes' => $plan->changes->toArray(),
                'logo' => $plan->logo, 'icon' => $plan->icon, 'fields' => $plan->fields, 'parameters' => $plan->parameters,
                'currency' => $plan->offers === [] ? null : $plan->currency, 'times' => $plan->times->toArray(),
                'language' => $plan->language, 'phrases' => $plan->phrases()->toArray(),
            ]);
            $positions = [];
            foreach ($plan->parts as $part) {
                $position = $positions[$part::kind()] = ($positions[$part::kind()] ?? -1) + 1;
                DraftRows::row($funnel, self::kept($part), $position);
            }
            foreach ($plan->ways as $way) {
                Way::query()->create(['funnel_id' => $funnel->id, 'page_id' => $way->page, 'outcome' => $way->outcome->value,
                    'to_page' => $way->toPage, 'to_url' => $way->toUrl]);
            }

            return $funnel;
        });
    }

    /** A part as its row keeps it. */
    public static function kept(Part $part): Part
    {
        return self::onDocument($part, self::asStored(...));
    }

    /**
     * A page or a variant with what its document becomes; any other part as it is.
     *
     * @param  callable(Document): Document  $change
     */
    private static function onDocument(Part $part, callable $change): Part
    {
        return match (true) {
            $part instanceof PagePlan, $part instanceof GuidePage => $part->with($change($part->document())),
            $part instanceof Variant => $part->onDocument($change),
            default => $part,
        };
    }

    /** A page's document as its row keeps it: a shared section's blocks stand with the shared section alone. */
    public static function asStored(Document $document): Document
    {
        return $document->with(array_map(fn (Section $s): Section => $s->shared === null ? $s : $s->with([]), $document->sections));
    }
}
