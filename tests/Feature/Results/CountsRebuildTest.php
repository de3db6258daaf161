<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Results\CountReader;
use App\Results\Counts;
use App\Results\CountSums;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Results\Measure;
use Lantern\Core\Results\Period;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Drafts\Page;
use Tests\TestCase;

/** Counts kept in step, counts rebuilt, and counts worked out the slow and plain way come to the same. */
final class CountsRebuildTest extends TestCase
{
    /** @return iterable<string, array{int, string}> */
    public static function seeds(): iterable
    {
        yield 'west' => [1, 'America/Los_Angeles'];
        yield 'here' => [2, 'Europe/Berlin'];
        yield 'east, half an hour off' => [3, 'Asia/Kolkata'];
        yield 'the far end' => [4, 'Pacific/Kiritimati'];
    }

    #[DataProvider('seeds')]
    public function test_three_ways_to_count(int $seed, string $zone): void
    {
        $owner = $this->owner();
        $owner->business->forceFill(['timezone' => $zone])->save();
        $funnel = $this->live($owner);
        $events = app(Events::class);
        $dice = new Randomizer(new Mt19937($seed));
        $pages = Page::query()->where('funnel_id', $funnel->id)->orderBy('position')->pluck('id')->all();
        // Twelve days around a change of the clocks, with many events at the very same moment.
        $at = CarbonImmutable::parse('2026-03-24 00:00:00', 'UTC');
        $joined = [];
        /** @var list<array{what: string, page: string, day: string, who: string, last: string}> $happened */
        $happened = [];
        for ($i = 0; $i < 300; $i++) {
            $at = $at->addSeconds($dice->getInt(0, 3) === 0 ? 0 : $dice->getInt(1, 7200));
            $page = $pages[$dice->getInt(0, count($pages) - 1)];
            $visitor = $dice->getInt(0, 9) === 0 ? null : md5((string) $dice->getInt(1, 25));
            $person = substr(md5((string) $dice->getInt(1, 12)), 0, 26);
            $ownerTry = $dice->getInt(0, 7) === 0;
            $type = [EventType::Viewed, EventType::Viewed, EventType::Viewed, EventType::Joined,
                EventType::Downloaded][$dice->getInt(0, 4)];
            // Clocks go wrong, and what is written later may be of an earlier moment.
            $moment = $dice->getInt(0, 5) === 0 ? $at->subHours($dice->getInt(1, 60)) : $at;
            $events->take(new NewEvent($type, $owner->business, $moment, $funnel, page: $page, visitor: $visitor,
                personId: $type === EventType::Viewed ? null : $person, owner: $ownerTry,
                source: [null, null, 'podcast', 'newsletter'][$dice->getInt(0, 3)]));
            if ($ownerTry) {
                continue;
            }
            $fact = ['page' => $page, 'day' => $moment->setTimezone($zone)->format('Y-m-d'),
                'last' => (string) DB::table('events')->latest('id')->value('last_touch')];
            $happened[] = ['what' => $type->value, 'who' => ''] + $fact;
            if ($type === EventType::Viewed && $visitor !== null) {
                $happened[] = ['what' => 'visitor', 'who' => $visitor] + $fact;
                $happened[] = ['what' => 'visitor', 'who' => $visitor, 'page' => ''] + $fact;
            }
            if ($type === EventType::Joined && ! isset($joined[$person])) {
                $joined[$person] = true;
                $happened[] = ['what' => 'first join', 'who' => ''] + $fact;
            }
        }
        $days = array_values(array_unique(array_column($happened, 'day')));
        sort($days);
        $periods = [[$days[0], $days[count($days) - 1]]];
        for ($i = 0; $i < 12; $i++) {
            $ends = [$days[$dice->getInt(0, count($days) - 1)], $days[$dice->getInt(0, count($days) - 1)]];
            $periods[] = [min($ends), max($ends)];
        }
        foreach ($periods as [$from, $to]) {
            foreach (['', 'last:', 'last:podcast', 'last:newsletter'] as $slice) {
                $of = array_filter($happened, fn (array $h): bool => $h['day'] >= $from && $h['day'] <= $to
                    && ($slice === '' || "last:{$h['last']}" === $slice));
                foreach ([...$pages, ''] as $page) {
                    $plain = fn (string $what): array => array_column(array_filter($of, fn (array $h): bool => $h['page'] === $page
                        && $h['what'] === $what), 'who');
                    $sums = CountReader::byPage([$funnel->id], Period::between($from, $to), $slice)[$funnel->id][$page] ?? new CountSums;
                    self::assertSame([count(array_unique($plain('visitor'))), count($plain('first join')), count($plain('downloaded'))],
                        [$sums->of(Measure::Visitors), $sums->of(Measure::Signups), $sums->of(Measure::Downloads)],
                        "{$from} to {$to}, {$slice}, page {$page}");
                    self::assertSame($slice === '' ? count($plain('viewed')) : 0, $sums->of(Measure::Views));
                }
            }
        }
        $kept = $this->stored();
        DB::table('counts')->update(['how_many' => 999]);
        app(Counts::class)->rebuild($owner->business);
        self::assertSame($kept, $this->stored(), 'rebuilt');
    }

    /** @return list<string> */
    private function stored(): array
    {
        return DB::table('counts')->orderBy('slice')->orderBy('page_id')->orderBy('measure')->orderBy('day')->orderBy('before')->get()
            ->map(fn (object $row): string => implode(' ', (array) $row))->all();
    }
}
