<?php

declare(strict_types=1);

namespace App\Warmth;

use App\Models\Business;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Days;
use Lantern\Core\Warmth\Action;
use Lantern\Core\Warmth\BeforeBuying;
use Lantern\Core\Warmth\Forerunner;

/** What the owner's own sales say of the weights. It is worked out at most once a day for each business. */
final class Suggestions
{
    /** @return array{buyers: int, found: list<Forerunner>} */
    public static function of(Business $business, DateTimeImmutable $now): array
    {
        $today = Days::of($now, $business->zone());

        /** @var array{int, list<array{string, int, int, float, float, float}>} $kept */
        $kept = Cache::remember("warmth-suggestions-{$business->id}-{$today}", CarbonImmutable::instance($now)->addDay(),
            function () use ($business, $today): array {
                $counted = self::counted($business, $today);

                return [$counted->buyers(), array_map(fn (Forerunner $f): array => [$f->action->value, $f->did, $f->buyers, $f->expected,
                    $f->times, $f->sure], $counted->all())];
            });

        return ['buyers' => $kept[0], 'found' => array_values(array_map(
            fn (array $f): Forerunner => new Forerunner(Action::from($f[0]), $f[1], $f[2], $f[3], $f[4], $f[5]), $kept[1]))];
    }

    private static function counted(Business $business, string $today): BeforeBuying
    {
        $counted = new BeforeBuying;
        $day = fn (string $date): int => intdiv((int) strtotime("{$date} 00:00:00 UTC"), 86_400);
        $now = $day($today);
        $rows = DB::table('warm_days')->join('people', 'people.id', '=', 'warm_days.person_id')->where('business_id', $business->id)
            ->where('owner_try', false)->groupBy('person_id', 'action')->orderBy('person_id')
            ->selectRaw('person_id, action, min(day) as day')->cursor();
        $same = fn (\stdClass $row, int $i, Collection $chunk): bool => $row->person_id === $chunk->last()?->person_id;
        foreach ($rows->chunkWhile($same) as $ofPerson) {
            $first = [];
            foreach ($ofPerson as $row) {
                $first[(string) $row->action] = $day((string) $row->day);
            }
            $joined = $first[Action::Joined->value] ?? null;
            if ($joined !== null) {
                $since = array_map(fn (int $on): int => $on - $joined, $first);
                $counted->add($now - $joined, $since[Action::Bought->value] ?? null, $since);
            }
        }

        return $counted;
    }
}
