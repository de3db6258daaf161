<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Person;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Offers\Product;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Webinars\Webinar;

/** What happened between a person and the business, across all funnels, the newest first. */
final class History
{
    /** @return list<array<string, mixed>> see {@see TellsHistory} */
    public function told(Person $person, int $most): array
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

    /** @return array<string, string> of funnels and what they are made of, also of what is gone; an offer is called what it sells */
    private static function names(int $business): array
    {
        $funnels = DB::table('funnels')->where('business_id', $business);
        $parts = fn (string ...$kinds): Builder => DB::table('draft_parts')->whereIn('kind', $kinds)
            ->whereIn('funnel_id', (clone $funnels)->select('id'));
        $names = $parts(PagePlan::kind(), Guide::kind(), GuidePage::kind(), Webinar::kind(), Product::kind())->pluck('name', 'id')->all()
            + $funnels->pluck('name', 'id')->all();
        foreach ($parts(Offer::kind())->get(['id', 'name', 'definition']) as $offer) {
            $sold = json_decode((string) $offer->definition, true)['product'] ?? '';
            $names[(string) $offer->id] = $names[is_string($sold) ? $sold : ''] ?? $offer->name;
        }

        return array_map(strval(...), $names);
    }

    /** @return list<string> every kind of entry there is, in order */
    public static function kinds(): array
    {
        $kinds = array_merge([], ...array_map(fn (PersonTable $t): array => $t->toldBy === null ? [] : $t->toldBy::kinds(),
            PersonTables::all()));
        sort($kinds);

        return $kinds;
    }
}
