<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Drafts\DraftPlan;
use App\Drafts\Kinds\DraftKinds;
use App\Drafts\SetAside;
use App\Models\Funnel;
use App\Models\Version;
use App\Publishing\Publishing;
use App\Support\Instant;
use Lantern\Core\Domains\AddressForm;
use Lantern\Core\Plan\Way;
use Lantern\Core\Plan\WebAddress;

/** A funnel in a list, and its whole draft. The Studio's types name the same, and a kept draft is read by the tests of both. */
final class FunnelJson
{
    /** @return array<string, mixed> */
    public static function summary(Funnel $funnel): array
    {
        $site = $funnel->site();

        return ['id' => $funnel->id, 'name' => $funnel->name, 'goal' => $funnel->goal, 'state' => $funnel->state,
            'labels' => $funnel->labels, 'address' => $funnel->address, 'url' => $site->url(),
            'place' => ['front' => $site->to(''), 'form' => $site->form->value,
                'reserved' => $site->form === AddressForm::Alone ? WebAddress::RESERVED : []], 'openUrl' => "/studio/open/{$funnel->id}",
            'archived' => $funnel->archived_at !== null, 'opensAt' => Instant::json($funnel->opens_at),
            'closesAt' => Instant::json($funnel->closes_at), 'closedAt' => Instant::json($funnel->closed_at),
            'liveVersion' => $funnel->liveVersion?->number, 'updatedAt' => Instant::json($funnel->updated_at)];
    }

    /** @return array<string, mixed> what all pages of a funnel share */
    public static function shared(Funnel $funnel): array
    {
        return ['look' => $funnel->look, 'changes' => (object) $funnel->look_changes, 'logo' => $funnel->logo, 'icon' => $funnel->icon,
            'fields' => (object) $funnel->fields, 'parameters' => $funnel->parameters, 'currency' => $funnel->sellsIn(),
            'times' => (object) $funnel->times, 'language' => $funnel->language];
    }

    /** @return array<string, mixed> the draft with all its parts, by the lists of their kinds, in order */
    public static function draft(Funnel $funnel, DraftKinds $kinds): array
    {
        $funnel->load(['parts', 'ways', 'liveVersion', 'business']);
        $lists = [];
        foreach ($kinds->all() as $name => $kind) {
            $lists[$kind->list()] = array_values($funnel->parts->where('kind', $name)->map($kinds->json(...))->all());
        }
        // Emails come in the order in which they are sent.
        usort($lists['emails'], fn (array $a, array $b): int => $a['offset'] <=> $b['offset']);

        $plan = DraftPlan::read($funnel);

        return self::summary($funnel) + self::shared($funnel) + $lists + [
            'setAside' => SetAside::waiting($funnel),
            'changed' => Publishing::differs($funnel, $plan),
            'nextVersion' => 1 + (int) Version::query()->where('funnel_id', $funnel->id)->max('number'),
            'ways' => array_map(fn (Way $w): array => ['page' => $w->page, 'outcome' => $w->outcome->value, 'toPage' => $w->toPage,
                'toUrl' => $w->toUrl], $plan->ways),
        ];
    }
}
