<?php

declare(strict_types=1);

namespace App\Journey;

use Illuminate\Support\Facades\DB;

/** What is waited for by any version of a funnel, or by any rule of a business. */
final class WaitedFor
{
    /**
     * @param  string  $beginning  with which the keys of one kind begin
     * @return array<string, string> since when each was first waited for, as SQL writes it, by its key
     */
    public static function since(string $beginning): array
    {
        $like = addcslashes($beginning, '%_\\').'%';
        $all = DB::table('version_triggers')->join('versions', 'versions.id', '=', 'version_triggers.version_id')
            ->whereRaw("trigger_key like ? escape '\\'", [$like])->groupBy('trigger_key')
            ->selectRaw('trigger_key, min(published_at) as since')
            ->unionAll(DB::table('rule_triggers')->whereRaw("trigger_key like ? escape '\\'", [$like])->groupBy('trigger_key')
                ->selectRaw('trigger_key, min(since) as since'))->get();
        $since = [];
        foreach ($all as $row) {
            $key = (string) $row->trigger_key;
            $since[$key] = min($since[$key] ?? (string) $row->since, (string) $row->since);
        }

        return $since;
    }
}
