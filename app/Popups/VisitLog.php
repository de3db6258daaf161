<?php

declare(strict_types=1);

namespace App\Popups;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Popups\Visits;

/** Which visit of a browser to a funnel or a site it is, from a row for each. */
final readonly class VisitLog
{
    private function __construct(public int $number, public CarbonImmutable $since, public bool $fromEmail)
    {
    }

    /** A view more: of the visit that goes on, or the first of a new one. */
    public static function view(string $place, string $visitor, bool $fromEmail, CarbonImmutable $now): self
    {
        return DB::transaction(function () use ($place, $visitor, $fromEmail, $now): self {
            $last = DB::table('popup_visits')->where('place', $place)->where('visitor', $visitor)->latest('id')->first();
            if ($last !== null && Visits::goesOn(new DateTimeImmutable((string) $last->last_at, new DateTimeZone('UTC')), $now)) {
                DB::table('popup_visits')->where('id', $last->id)->update(['last_at' => Instant::sql($now),
                    'views' => DB::raw('views + 1')] + ($fromEmail ? ['from_email' => true] : []));
            } else {
                DB::table('popup_visits')->insert(['place' => $place, 'visitor' => $visitor, 'started_at' => Instant::sql($now),
                    'last_at' => Instant::sql($now), 'from_email' => $fromEmail]);
            }

            return self::of($place, $visitor, $now);
        });
    }

    /** The visit that goes on; a first one where none is known. */
    public static function of(string $place, string $visitor, CarbonImmutable $now): self
    {
        $rows = DB::table('popup_visits')->where('place', $place)->where('visitor', $visitor);
        $last = (clone $rows)->latest('id')->first();

        return $last === null ? new self(1, $now, false)
            : new self($rows->count(), CarbonImmutable::parse((string) $last->started_at, 'UTC'), (bool) $last->from_email);
    }
}
