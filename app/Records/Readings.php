<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Funnel;
use App\Support\Instant;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Guides\Progress;
use Lantern\Core\Guides\Reading;
use Lantern\Core\Guides\Sitting;
use Lantern\Core\People\State\GuideState;

/** What people have read of guides: the sittings on all their devices, and how far each has come by them. */
final class Readings
{
    /** How far somebody has come, as it is kept. */
    public static function kept(string $person, string $guide): Progress
    {
        $row = DB::table('guide_progress')->where('person_id', $person)->where('guide_id', $guide)
            ->first(['begun_at', 'finished_at', 'share']);

        return $row === null ? new Progress : new Progress($row->begun_at !== null, self::read($person, $guide), (int) $row->share,
            $row->finished_at !== null);
    }

    /** Works out from all sittings how far somebody has come, and keeps it. What was reached once stays reached. */
    public static function follow(string $person, string $guide, string $funnel, GuideFacts $facts, DateTimeImmutable $now): Progress
    {
        $sittings = self::sittings(['person_id' => $person, 'guide_id' => $guide]);
        $reading = Reading::of(array_column($sittings, 0), $facts->pages, $facts->finish, self::read($person, $guide));
        $at = Instant::sql($now);
        $mine = ['person_id' => $person, 'guide_id' => $guide];
        $opened = DB::table('guide_readings')->where($mine)->min('opened_at') ?? $at;
        $last = max(['', ...array_column($sittings, 1)]) ?: $at;
        DB::table('guide_progress')->insertOrIgnore($mine + ['funnel_id' => $funnel, 'opened_at' => $opened, 'last_at' => $last]);
        DB::table('guide_progress')->where($mine)->update(['seconds' => $reading->seconds, 'stays' => $reading->stays, 'last_at' => $last,
            'opened_at' => $opened, 'share' => $reading->share, 'last_page' => $reading->last]
            + ($reading->begun ? ['begun_at' => DB::raw('coalesce(begun_at, '.DB::escape($at).')')] : [])
            + ($reading->finished ? ['finished_at' => DB::raw('coalesce(finished_at, '.DB::escape($at).')')] : []));
        $rows = [];
        foreach ($reading->pages as $id => $page) {
            $rows[] = $mine + ['page_id' => $id, 'seconds' => $page->seconds, 'scrolled' => $page->scrolled, 'stays' => $page->stays,
                'read_at' => $page->read ? $at : null];
        }
        DB::table('guide_pages_seen')->upsert($rows, ['person_id', 'guide_id', 'page_id'], ['seconds', 'scrolled', 'stays',
            'read_at' => DB::raw('coalesce(guide_pages_seen.read_at, excluded.read_at)')]);

        return Progress::of($reading);
    }

    /** @return list<string> ids of the pages of a guide that somebody has read */
    public static function read(string $person, string $guide): array
    {
        return array_values(array_map(strval(...), DB::table('guide_pages_seen')->where('person_id', $person)->where('guide_id', $guide)
            ->whereNotNull('read_at')->pluck('page_id')->all()));
    }

    /** @return string|null the page that was looked at last by one door alone */
    public static function lastBy(string $reading, GuideFacts $facts): ?string
    {
        return Reading::of(array_column(self::sittings(['reading_id' => $reading]), 0), $facts->pages, $facts->finish)->last;
    }

    /**
     * @param  array<string, string>  $of  whose: by column
     * @return list<array{Sitting, string}> each with when it was last heard of
     */
    private static function sittings(array $of): array
    {
        return array_values(DB::table('guide_sittings')->join('guide_readings', 'guide_readings.id', '=', 'guide_sittings.reading_id')
            ->where($of)->orderBy('guide_sittings.id')
            ->get(['began', 'seen', 'scrolled', 'last_at'])->map(fn (object $s): array => [Sitting::read((int) $s->began,
                json_decode((string) $s->seen, true), json_decode((string) $s->scrolled, true)), (string) $s->last_at])->all());
    }

    /** @return array<string, GuideState> by guide, what rules about a person ask for */
    public static function states(string $person): array
    {
        $at = fn (mixed $sql): ?DateTimeImmutable => $sql === null ? null : new DateTimeImmutable((string) $sql, new DateTimeZone('UTC'));
        $read = [];
        foreach (DB::table('guide_pages_seen')->where('person_id', $person)->whereNotNull('read_at')
            ->get(['guide_id', 'page_id', 'read_at']) as $page) {
            $read[(string) $page->guide_id][(string) $page->page_id] = new DateTimeImmutable((string) $page->read_at,
                new DateTimeZone('UTC'));
        }
        $states = [];
        foreach (DB::table('guide_progress')->where('person_id', $person)->get(['guide_id', 'begun_at', 'finished_at', 'share']) as $row) {
            $states[(string) $row->guide_id] = new GuideState($at($row->begun_at), $at($row->finished_at), (int) $row->share,
                $read[(string) $row->guide_id] ?? []);
        }

        return $states;
    }

    /**
     * Two people are one: what was read by the same door of the same guide becomes one reading, and how far they have come is kept as
     * it was of whoever came farther.
     */
    public static function merge(string $stays, string $goes): void
    {
        foreach (DB::table('guide_readings')->where('person_id', $goes)->get() as $reading) {
            $same = DB::table('guide_readings')->where('person_id', $stays)->where('guide_id', $reading->guide_id)
                ->where('submission_id', $reading->submission_id)->value('id');
            if ($same !== null) {
                // A device makes its own random name; whatever it says, no sitting is lost. Of answers the one of whoever stays holds.
                foreach (DB::table('guide_sittings')->where('reading_id', $same)->pluck('sitting') as $taken) {
                    DB::table('guide_sittings')->where('reading_id', $reading->id)->where('sitting', $taken)
                        ->update(['sitting' => bin2hex(random_bytes(8))]);
                }
                DB::table('guide_sittings')->where('reading_id', $reading->id)->update(['reading_id' => $same]);
                foreach (DB::table('guide_answers')->where('reading_id', $same)->get(['block_id', 'item']) as $mine) {
                    DB::table('guide_answers')->where('reading_id', $reading->id)->where('block_id', $mine->block_id)
                        ->where('item', $mine->item)->delete();
                }
                DB::table('guide_answers')->where('reading_id', $reading->id)->update(['reading_id' => $same]);
                DB::table('guide_readings')->where('id', $reading->id)->delete();
            }
        }
        foreach (DB::table('guide_pages_seen')->where('person_id', $goes)->get() as $page) {
            $mine = DB::table('guide_pages_seen')->where('person_id', $stays)->where('page_id', $page->page_id)->first();
            if ($mine !== null) {
                DB::table('guide_pages_seen')->where('person_id', $stays)->where('page_id', $page->page_id)->update([
                    'seconds' => $mine->seconds + $page->seconds, 'scrolled' => max($mine->scrolled, $page->scrolled),
                    'stays' => $mine->stays + $page->stays, 'read_at' => self::first($mine->read_at, $page->read_at)]);
                DB::table('guide_pages_seen')->where('person_id', $goes)->where('page_id', $page->page_id)->delete();
            }
        }
        foreach (DB::table('guide_progress')->where('person_id', $goes)->get() as $row) {
            $mine = DB::table('guide_progress')->where('person_id', $stays)->where('guide_id', $row->guide_id)->first();
            if ($mine !== null) {
                DB::table('guide_progress')->where('person_id', $stays)->where('guide_id', $row->guide_id)->update([
                    'opened_at' => min($mine->opened_at, $row->opened_at), 'begun_at' => self::first($mine->begun_at, $row->begun_at),
                    'finished_at' => self::first($mine->finished_at, $row->finished_at), 'last_at' => max($mine->last_at, $row->last_at),
                    'seconds' => $mine->seconds + $row->seconds, 'stays' => $mine->stays + $row->stays,
                    'share' => max($mine->share, $row->share)]);
                DB::table('guide_progress')->where('person_id', $goes)->where('guide_id', $row->guide_id)->delete();
            }
        }
    }

    /** After a merge: what both have read together is worked out anew, two devices at once counting once. */
    public static function merged(string $person, DateTimeImmutable $now): void
    {
        foreach (DB::table('guide_progress')->where('person_id', $person)->get(['guide_id', 'funnel_id']) as $row) {
            $funnel = Funnel::query()->where('id', $row->funnel_id)->first();
            $facts = $funnel === null ? null : GuideFacts::live($funnel, (string) $row->guide_id);
            if ($facts !== null) {
                self::follow($person, (string) $row->guide_id, (string) $row->funnel_id, $facts, $now);
            }
        }
    }

    private static function first(mixed $a, mixed $b): mixed
    {
        return $a === null || $b === null ? $a ?? $b : min($a, $b);
    }

    /** What is public has other pages: how much of them each reader has read is worked out anew, and nobody has finished by that. */
    public static function publish(string $guide, GuideFacts $facts): void
    {
        $ids = $facts->ids();
        $read = DB::table('guide_pages_seen')->selectRaw('count(*)')->whereColumn('guide_pages_seen.person_id', 'guide_progress.person_id')
            ->where('guide_pages_seen.guide_id', $guide)->whereIn('page_id', $ids)->whereNotNull('read_at');
        DB::table('guide_progress')->where('guide_id', $guide)->update(['share' => $ids === [] ? 0
            : DB::raw('('.$read->toRawSql().') * 100 / '.count($ids))]);
    }
}
