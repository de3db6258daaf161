<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Way;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageSettings;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way as PlannedWay;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * What comes in with somebody's archive and could act against its new owner: code on pages, addresses that get what people fill
 * in, and ways that lead elsewhere. It is kept beside the draft, word for word, until the owner takes it over or discards it.
 */
final readonly class SetAside
{
    /** @return array{Plan, list<array{part: string, what: string, name: string, text: string}>} the plan without it, and what it was */
    public static function of(Plan $plan): array
    {
        $aside = [];
        $parts = array_map(function (Part $part) use (&$aside): Part {
            $written = $part->toArray();
            if ($part instanceof FormPlan && $part->hook !== '') {
                $aside[] = ['part' => $part->id, 'what' => 'hook', 'name' => $part->name, 'text' => $part->hook];

                return FormPlan::fromShape(Shape::of(array_diff_key($written, ['hook' => 0])));
            }
            if (! $part instanceof PagePlan || ! $part->settings->hasCode()) {
                return $part;
            }
            foreach (['head' => $part->settings->head, 'bodyEnd' => $part->settings->bodyEnd] as $what => $code) {
                if ($code !== '') {
                    $aside[] = ['part' => $part->id, 'what' => $what, 'name' => $part->name, 'text' => $code];
                }
            }

            return new PagePlan($part->id, $part->role, $part->name, $part->address, $part->document,
                PageSettings::fromShape(Shape::of(array_diff_key($part->settings->toArray(), ['head' => 0, 'bodyEnd' => 0]))));
        }, $plan->parts);
        $ways = array_filter($plan->ways, function (PlannedWay $way) use ($plan, &$aside): bool {
            if ($way->toUrl === null) {
                return true;
            }
            $aside[] = ['part' => $way->page, 'what' => "way:{$way->outcome->value}", 'name' => $plan->nameOf($way->page),
                'text' => $way->toUrl];

            return false;
        });

        return [$plan->with(parts: $parts, ways: array_values($ways)), $aside];
    }

    /**
     * Ends one of them: it becomes a part of the draft, or it is gone.
     *
     * {@see Invalid} when it is not there any more, or what it belongs to is not.
     */
    public static function end(Funnel $funnel, int $index, bool $take): void
    {
        DB::transaction(function () use ($funnel, $index, $take): void {
            $funnel->refresh();
            $aside = $funnel->set_aside;
            $item = $aside[$index] ?? throw Invalid::at('index', 'This is not there any more.');
            if ($take) {
                self::take($funnel, $item);
            }
            unset($aside[$index]);
            $funnel->forceFill(['set_aside' => array_values($aside)])->save();
        });
    }

    /** @param  array{part: string, what: string, name: string, text: string}  $item */
    private static function take(Funnel $funnel, array $item): void
    {
        $row = DraftPart::query()->where('funnel_id', $funnel->id)->whereNull('removed')->find($item['part'])
            ?? throw Invalid::at('index', "“{$item['name']}” is not there any more. Bring it back first.");
        if (str_starts_with($item['what'], 'way:')) {
            Way::query()->updateOrCreate(['page_id' => $row->id, 'outcome' => substr($item['what'], 4)],
                ['funnel_id' => $funnel->id, 'to_page' => null, 'to_url' => $item['text']]);

            return;
        }
        $definition = $row->definition;
        if ($item['what'] === 'hook') {
            $definition['hook'] = $item['text'];
        } else {
            $settings = $definition['settings'] ?? [];
            $definition['settings'] = [$item['what'] => $item['text']] + (is_array($settings) ? $settings : []);
        }
        $row->forceFill(['definition' => $definition, 'revision' => $row->revision + 1])->save();
        // What was written is read once, so that nothing stays that no draft can hold.
        $row->refresh()->part();
    }
}
