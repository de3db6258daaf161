<?php

declare(strict_types=1);

namespace App\Popups;

use Illuminate\Support\Facades\DB;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Results\Rate;

/**
 * What pop-ups brought: how often each was shown, closed, followed and joined in, by trigger and by place. How many would have
 * joined without it nobody knows, and nothing here says so.
 */
final class PopupNumbers
{
    /**
     * @param  list<string>  $popups  ids
     * @return array<string, array<string, mixed>> by pop-up; none for one that was never shown
     */
    public static function of(array $popups): array
    {
        $numbers = [];
        foreach (self::counted($popups, 'popup_id') as $popup => $counts) {
            $numbers[$popup] = self::written($counts);
        }

        return $numbers;
    }

    /** @return array{triggers: list<array<string, mixed>>, places: list<array<string, mixed>>} of one pop-up */
    public static function inDetail(string $popup): array
    {
        $triggers = $places = [];
        foreach (self::counted([$popup], 'opened_by') as $trigger => $counts) {
            // What could have been shown was opened by nothing yet.
            if ($trigger !== '') {
                $triggers[] = ['trigger' => $trigger] + self::written($counts);
            }
        }
        foreach (self::counted([$popup], "coalesce(page_id, site_id || '|' || coalesce(pattern, ''))") as $place => $counts) {
            [$id, $pattern] = [...explode('|', $place, 2), ''];
            $places[] = ['id' => $id, 'name' => self::name($id), 'pattern' => $pattern] + self::written($counts);
        }

        return ['triggers' => $triggers, 'places' => $places];
    }

    /**
     * @param  list<string>  $popups
     * @return array<string, array<string, int>> how many, by the value of an expression and type
     */
    private static function counted(array $popups, string $by): array
    {
        $counts = [];
        foreach (DB::table('popup_facts')->whereIn('popup_id', $popups)->groupByRaw("{$by}, type")
            ->selectRaw("{$by} as grouped, type, count(*) as n")->orderByRaw('n desc')->get() as $row) {
            $counts[(string) $row->grouped][(string) $row->type] = (int) $row->n;
        }

        return $counts;
    }

    /**
     * @param  array<string, int>  $counts  by type
     * @return array<string, mixed>
     */
    private static function written(array $counts): array
    {
        $n = fn (PopupFactType $type): int => $counts[$type->value] ?? 0;

        return ['eligible' => $n(PopupFactType::Eligible), 'shown' => $n(PopupFactType::Shown), 'closed' => $n(PopupFactType::Closed),
            'joined' => $n(PopupFactType::Joined), 'clicked' => $n(PopupFactType::Clicked),
            'rate' => Rate::of($n(PopupFactType::Joined), $n(PopupFactType::Shown))->toArray()];
    }

    private static function name(string $id): string
    {
        $site = DB::table('sites')->where('id', $id)->value('name');

        return is_string($site) ? $site : (string) DB::table('draft_parts')->where('id', $id)->value('name');
    }
}
