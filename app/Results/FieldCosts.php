<?php

declare(strict_types=1);

namespace App\Results;

use App\Models\Business;
use App\Models\Version;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Forms\FormField;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Results\FieldCost;

/** Looks up how pages with forms did, by how many fields they asked for at first. */
final class FieldCosts
{
    public static function of(Business $business): FieldCost
    {
        $counts = [];
        foreach (Version::query()->whereHas('funnel', fn ($q) => $q->where('business_id', $business->id))->orderByDesc('id')->limit(60)
            ->get(['id', 'plan', 'funnel_id']) as $version) {
            $page = $version->plan()->entry();
            $block = $page?->document->blocksOf(BlockKind::Form)[0] ?? null;
            $form = $block === null ? null : $version->plan()->form($block->field('form'));
            if ($page === null || $form === null) {
                continue;
            }
            $fields = count(array_filter($form->fieldsIn(1), fn (FormField $f): bool => $f->kind !== FieldKind::Hidden));
            $row = DB::table('events')->where('page_id', $page->id)->where('version_id', $version->id)->where('owner', false)
                ->whereIn('type', [EventType::Viewed->value, EventType::Joined->value])
                ->selectRaw("count(distinct case when type = 'viewed' then visitor end) as visitors, count(distinct case when type = "
                    ."'joined' then person_id end) as signups")->first();
            $counts[$fields] = ['visitors' => ($counts[$fields]['visitors'] ?? 0) + (int) ($row->visitors ?? 0),
                'signups' => ($counts[$fields]['signups'] ?? 0) + (int) ($row->signups ?? 0)];
        }

        return FieldCost::of($counts);
    }
}
