<?php

declare(strict_types=1);

namespace App\Warmth;

use App\Models\Business;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
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

        // The number of a business may be another's in a database that was put in this one's place.
        $key = "warmth-suggestions-{$business->id}-{$business->created_at?->getTimestamp()}-{$today}";
        /** @var array{int, list<array{string, int, int, float, float, float}>} $kept */
        $kept = Cache::remember($key, CarbonImmutable::instance($now)->addDay(),
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
        $now = self::number($today);
        $person = '';
        $first = [];
        foreach (DB::table('warm_days')->join('people', 'people.id', '=', 'warm_days.person_id')->where('business_id', $business->id)
            ->where('owner_try', false)->groupBy('person_id', 'action')->orderBy('person_id')
            ->selectRaw('person_id, action, min(day) as day')->cursor() as $row) {
            if ($row->person_id !== $person) {
                self::put($counted, $first, $now);
                [$person, $first] = [(string) $row->person_id, []];
            }
            $first[(string) $row->action] = self::number((string) $row->day);
        }
        self::put($counted, $first, $now);

        return $counted;
    }

    /** @param  array<string, int>  $first  by action, the number of the day on which somebody first did it */
    private static function put(BeforeBuying $counted, array $first, int $now): void
    {
        $joined = $first[Action::Joined->value] ?? null;
        if ($joined !== null) {
            $since = array_map(fn (int $on): int => $on - $joined, $first);
            $counted->add($now - $joined, $since[Action::Bought->value] ?? null, $since);
        }
    }

    /** The number of a day, such as 20651. */
    private static function number(string $day): int
    {
        static $known = [];

        return $known[$day] ??= intdiv((int) strtotime("{$day} 00:00:00 UTC"), 86_400);
    }
}
