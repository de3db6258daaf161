<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Site;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\Act\Act;
use Lantern\Core\Automation\Act\CallsAddress;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Offers\Product;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageSettings;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way as PlannedWay;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;

/**
 * What comes in with somebody's archive and could act against its new owner: code on pages, addresses that get what people fill
 * in or that buyers and those who join are led to, streams, and ways, buttons and pictures that lead elsewhere. It is kept beside the
 * draft, word for word,
 * until the owner takes it over or discards it.
 */
final readonly class SetAside
{
    /** @return array{Plan, list<array{part: string, what: string, name: string, text: string}>} the plan without it, and what it was */
    public static function of(Plan $plan, Business $business): array
    {
        $aside = [];
        $sites = Site::query()->where('business_id', $business->id)->whereNull('deleted_at')->pluck('id')->all();
        $parts = array_map(function (Part $part) use (&$aside, $sites): Part {
            [$part, $links] = OutsideLinks::out($part);
            foreach ($links as $where => $url) {
                $aside[] = ['part' => $part->id(), 'what' => "link:{$where}", 'name' => $part->name(), 'text' => $url];
            }
            $written = $part->toArray();
            if ($part instanceof Webinar && $part->stream !== '') {
                $aside[] = ['part' => $part->id, 'what' => 'stream', 'name' => $part->name, 'text' => $part->stream];

                return Webinar::fromShape(Shape::of(array_diff_key($written, ['stream' => 0])));
            }
            if ($part instanceof FormPlan && $part->hook !== '') {
                $aside[] = ['part' => $part->id, 'what' => 'hook', 'name' => $part->name, 'text' => $part->hook];

                return FormPlan::fromShape(Shape::of(array_diff_key($written, ['hook' => 0])));
            }
            if ($part instanceof Product && $part->url !== '') {
                $aside[] = ['part' => $part->id, 'what' => 'url', 'name' => $part->name, 'text' => $part->url];

                return Product::fromShape(Shape::of(array_diff_key($written, ['url' => 0])));
            }
            if ($part instanceof AutomationRule) {
                foreach ($part->acts as $n => $act) {
                    if ($act instanceof CallsAddress) {
                        $aside[] = ['part' => $part->id, 'what' => "call:{$n}", 'name' => $part->name, 'text' => $act->url];
                    }
                }
                $kept = array_values(array_filter($part->acts, fn (Act $a): bool => ! $a instanceof CallsAddress));

                return AutomationRule::fromShape(Shape::of(['acts' => array_map(fn (Act $a): array => $a->toArray(), $kept)] + $written));
            }
            if ($part instanceof Popup) {
                // The sites that it stands on are somebody else's, unless the archive is one of the owner's own.
                $places = (array) ($written['targeting'] ?? []);
                $places['sites'] = array_values(array_filter((array) ($places['sites'] ?? []),
                    fn (mixed $s): bool => is_array($s) && in_array($s['site'] ?? '', $sites, true)));
                $leads = $part->after->kind === 'address';
                if ($leads) {
                    $aside[] = ['part' => $part->id, 'what' => 'after', 'name' => $part->name, 'text' => $part->after->to];
                }

                return Popup::fromShape(Shape::of(($leads ? ['after' => ['kind' => 'page']] : []) + ['targeting' => $places] + $written));
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

    /** @return list<array{part: string, what: string, name: string, text: string}> what still waits for the owner's word */
    public static function waiting(Funnel $funnel): array
    {
        return array_values(array_map(
            fn (array $i): array => ['part' => $i['part'], 'what' => $i['what'], 'name' => $i['name'], 'text' => $i['text']],
            array_filter($funnel->set_aside, fn (array $item): bool => ! isset($item['ended']))));
    }

    /**
     * Takes one of them over into the draft, discards it, or undoes either.
     *
     * {@see Invalid} when it is not there, or what it belongs to is not.
     */
    public static function end(Funnel $funnel, string $part, string $what, EndOfSetAside $end): void
    {
        DB::transaction(function () use ($funnel, $part, $what, $end): void {
            $aside = $funnel->refresh()->set_aside;
            $index = array_key_first(array_filter($aside, fn (array $item): bool => [$item['part'], $item['what']] === [$part, $what]))
                ?? throw Invalid::at('what', 'This is not there any more.');
            $item = $aside[$index];
            $wasTaken = ($item['ended'] ?? '') === EndOfSetAside::Take->value;
            if ($end === EndOfSetAside::Take || ($end === EndOfSetAside::Undo && $wasTaken)) {
                self::put($funnel, $item, $end === EndOfSetAside::Take ? $item['text'] : '');
            }
            $aside[$index] = array_diff_key($item, ['ended' => 0]) + ($end === EndOfSetAside::Undo ? [] : ['ended' => $end->value]);
            $funnel->forceFill(['set_aside' => $aside])->save();
        });
    }

    /**
     * @param  array{part: string, what: string, name: string, text: string, ended?: string}  $item
     * @param  string  $text  what the draft holds of it from now on; '' for nothing
     */
    private static function put(Funnel $funnel, array $item, string $text): void
    {
        $row = DraftPart::there($funnel->id)->find($item['part'])
            ?? throw Invalid::at('what', "“{$item['name']}” is not there any more. Restore it first.");
        if (str_starts_with($item['what'], 'way:')) {
            $way = PlannedWay::outside($row->id, Outcome::from(substr($item['what'], 4)), $item['text']);
            if ($text !== '') {
                DraftWays::draw($funnel, $way);
            } elseif (in_array($way, DraftWays::drawn($funnel->load('ways')), false)) {
                // Where it has been drawn elsewhere meanwhile, it stays.
                DraftWays::end($funnel, $way->page, $way->outcome);
            }

            return;
        }
        if (str_starts_with($item['what'], 'link:')) {
            $row->change(OutsideLinks::in($row->definition, substr($item['what'], 5), $text))
                ->forceFill(['revision' => $row->revision + 1])->save();

            return;
        }
        if (str_starts_with($item['what'], 'call:')) {
            $acts = array_values(array_filter((array) ($row->definition['acts'] ?? []), is_array(...)));
            $call = ['kind' => CallsAddress::kind(), 'url' => $item['text']];
            $row->change(['acts' => $text !== '' ? [...$acts, $call] : array_values(array_filter($acts,
                fn (array $a): bool => $a != $call))])
                ->forceFill(['revision' => $row->revision + 1])->save();

            return;
        }
        $settings = $row->definition['settings'] ?? [];
        $row->change(match ($item['what']) {
            'hook', 'url', 'stream' => [$item['what'] => $text],
            'after' => ['after' => $text === '' ? ['kind' => 'page', 'to' => ''] : ['kind' => 'address', 'to' => $text]],
            default => ['settings' => [$item['what'] => $text] + (is_array($settings) ? $settings : [])],
        })
            ->forceFill(['revision' => $row->revision + 1])->save();
    }
}
