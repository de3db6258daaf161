<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Person;
use Illuminate\Support\Facades\DB;

/** What happened between a person and the business, across all funnels, the newest first. */
final class History
{
    /** @return list<array<string, mixed>> see {@see TellsHistory} */
    public function of(Person $person, int $most): array
    {
        $names = self::names($person->business_id);
        $history = [];
        foreach (PersonTables::all() as $table) {
            array_push($history, ...($table->toldBy === null ? [] : $table->toldBy::tell($person->id, $names, $most)));
        }
        $messages = array_column(array_filter($history, fn (array $h): bool => $h['id'] === $h['message']), 'what', 'id');
        foreach ($history as $i => $item) {
            // What happened with a message is told with its name.
            if ($item['what'] === '' && is_string($item['message'])) {
                $history[$i]['what'] = (string) ($messages[$item['message']] ?? '');
            }
        }
        usort($history, fn (array $a, array $b): int => [$b['at'], $b['id']] <=> [$a['at'], $a['id']]);

        return array_slice($history, 0, $most);
    }

    /** @return array<string, string> of funnels, their pages and their webinars, also of those that are gone */
    private static function names(int $business): array
    {
        $funnels = DB::table('funnels')->where('business_id', $business);
        $parts = DB::table('draft_parts')->whereIn('kind', ['page', 'webinar'])->whereIn('funnel_id', (clone $funnels)->select('id'));

        return array_map(strval(...), $parts->pluck('name', 'id')->all() + $funnels->pluck('name', 'id')->all());
    }
}
