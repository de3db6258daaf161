<?php

declare(strict_types=1);

namespace Tests\Feature\Results;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Results\Counts;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
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
        $plain = [];
        $seenEver = [];
        $seenToday = [];
        $joined = [];
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
                personId: $type === EventType::Viewed ? null : $person, owner: $ownerTry));
            if ($ownerTry) {
                continue;
            }
            $day = $moment->setTimezone($zone)->format('Y-m-d');
            $row = &$plain["{$page} {$day}"];
            $row ??= ['views' => 0, 'visitors' => 0, 'first-visitors' => 0, 'signups' => 0, 'downloads' => 0];
            if ($type === EventType::Viewed) {
                $row['views']++;
                if ($visitor !== null) {
                    $row['visitors'] += isset($seenToday["{$page} {$day} {$visitor}"]) ? 0 : 1;
                    $row['first-visitors'] += isset($seenEver["{$page} {$visitor}"]) ? 0 : 1;
                    $seenToday["{$page} {$day} {$visitor}"] = $seenEver["{$page} {$visitor}"] = true;
                }
            } elseif ($type === EventType::Joined) {
                $row['signups'] += isset($joined[$person]) ? 0 : 1;
                $joined[$person] = true;
            } else {
                $row['downloads']++;
            }
            unset($row);
        }
        $plain = array_filter($plain, fn (array $row): bool => array_sum($row) > 0);
        ksort($plain);

        self::assertSame($plain, $this->stored(), 'kept in step');
        DB::table('counts')->update(['how_many' => 999]);
        app(Counts::class)->rebuild($owner->business);
        self::assertSame($plain, $this->stored(), 'rebuilt');
    }

    /** @return array<string, array<string, int>> */
    private function stored(): array
    {
        $stored = [];
        foreach (DB::table('counts')->get() as $row) {
            $stored["{$row->page_id} {$row->day}"] ??= ['views' => 0, 'visitors' => 0, 'first-visitors' => 0, 'signups' => 0,
                'downloads' => 0];
            $stored["{$row->page_id} {$row->day}"][$row->measure] = (int) $row->how_many;
        }
        ksort($stored);

        return $stored;
    }
}
