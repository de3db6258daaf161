<?php

declare(strict_types=1);

use App\Drafts\NewFunnel;
use App\Files\Uploads;
use App\Forms\Signup;
use App\Forms\TakeSignup;
use App\Mail\Sending\MessageSender;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Registration;
use App\Models\User;
use App\Publishing\Publishing;
use App\Records\RegistrationLinks;
use App\Support\Instant;
use App\Webinars\Attendance;
use App\Webinars\AttendanceResults;
use Bench\Scratch;
use Carbon\CarbonImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Attention\Intervals;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Webinars\Recurrence;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\Sessions;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;

/*
 * Webinars: sessions in the core, people in a room, reminders around one moment, and the report of a session.
 *
 *   php bench/webinars.php [SECONDS]
 *
 * Rooms of 300 and of 1,000 people report for SECONDS each (60 unless given). Everything is a ratio to something plain that is done
 * in the same run.
 */

require __DIR__.'/Scratch.php';

$minute = (int) ($argv[1] ?? 60);
$scratch = new Scratch;
$owner = $scratch->owner();
config(['queue.default' => 'null']);
DB::disableQueryLog();
$seconds = function (callable $does): float {
    $start = hrtime(true);
    $does();

    return (hrtime(true) - $start) / 1e9;
};
$say = fn (string $what, float $took, float $plain, string $more = '') => fprintf(STDOUT, "%-78s %8.2f times%s\n", $what, $took / $plain,
    $more);

// Sessions, in the core alone: what four visitors in four zones are offered of a weekly schedule, to adding as many seconds.
$zones = array_map(fn (string $z): DateTimeZone => new DateTimeZone($z), ['Europe/Oslo', 'America/Chicago', 'Australia/Lord_Howe',
    'Asia/Kathmandu']);
$start = new DateTimeImmutable('2026-01-01 00:00:00', new DateTimeZone('UTC'));
$count = 4_000;
foreach ([['every week, three of them', new Schedule(ScheduleKind::Recurring, 'Europe/Berlin', recurrence: new Recurrence('week', 1, [2], 0,
    0, '2025-01-01'), times: ['18:00'])], ['at the next quarter of an hour, three of them', new Schedule(ScheduleKind::Soon,
        'Europe/Berlin')]] as [$what, $schedule]) {
    $sessions = new Sessions($schedule);
    $found = 0;
    $took = $seconds(function () use ($sessions, $start, $zones, $count, &$found): void {
        for ($i = 0; $i < $count; $i++) {
            $found += count($sessions->offered($start->modify('+'.($i * 6137).' seconds'), $zones[$i % 4]));
        }
    });
    $plain = $seconds(function () use ($start, $zones, $found): void {
        for ($i = 0; $i < $found; $i++) {
            $start->setTimezone($zones[$i % 4])->modify('+'.($i * 613).' seconds');
        }
    });
    $say("sessions offered, {$what}, to adding seconds", $took, $plain, sprintf(' (%s sessions a second)', number_format($found / $took)));
}

// A live funnel with a recording of two and a half minutes, and a session that goes on for the whole of the measuring.
$media = fn (string $name): UploadedFile => new UploadedFile(dirname(__DIR__)."/database/demo/media/{$name}", $name, null, null, true);
$funnel = app(NewFunnel::class)->fromStarter($owner->business, Goal::Webinar, 'First Melody', 'From Open Strings to Your First Melody',
    null,
    Money::of(29_000, Currency::of('EUR')), WebinarMode::Live);
foreach (DraftPart::there($funnel->id, Offer::kind())->get() as $offer) {
    $offer->change(['price' => ['amount' => 19_000] + $offer->definition['price']])->save();
}
$row = DraftPart::there($funnel->id, Webinar::kind())->sole();
$now = CarbonImmutable::now()->startOfMinute();
$date = $now->setTimezone('Europe/London')->addDay();
$row->change(['video' => app(Uploads::class)->video($owner->business, $media('first-melody.webm'))->id,
    'schedule' => ['kind' => 'dates', 'zone' => 'Europe/London', 'dates' => [$date->format('Y-m-d\TH:i')], 'minutes' => 60, 'offered' => 3,
        'ahead' => 30]])->save();
app(Publishing::class)->publish($funnel, User::query()->first());
$funnel = Funnel::query()->with(['liveVersion', 'business'])->findOrFail($funnel->id);
$version = $funnel->liveVersion ?? throw new LogicException('It is live.');
$plan = $version->plan();
$key = 's'.$date->utc()->format('YmdHi');

// 10,000 people register for one session: their reminders are planned, and handed over at one moment.
$people = (int) ($argv[2] ?? 10_000);
$register = function (int $i) use ($funnel, $version, $plan, $key): void {
    app(TakeSignup::class)->take(new Signup($funnel, $version, $plan->pages[0], $plan->forms[0],
        Answers::read($plan->forms[0], ['email' => "p{$i}@pupils.example"]), md5("{$i}"), CarbonImmutable::now(), null, 'Europe/Oslo',
        session: $key));
};
$took = $seconds(function () use ($register, $people): void {
    foreach (array_chunk(range(1, $people), 500) as $some) {
        DB::transaction(fn () => array_map($register, $some));
    }
});
$waiting = DB::table('messages')->where('state', 'waiting')->count();
$plain = $seconds(fn () => DB::transaction(function () use ($waiting): void {
    DB::statement('create table plain (id integer primary key, words text)');
    for ($i = 0; $i < $waiting; $i++) {
        DB::table('plain')->insert(['words' => str_repeat('x', 200)]);
    }
}));
$say(number_format($people).' registrations with all their emails planned, to as many bare inserts as emails', $took, $plain,
    sprintf(' (%s emails; %.1f ms a registration)', number_format($waiting), $took * 1000 / $people));
$due = DB::table('messages')->where('name', 'An hour before')->count();
DB::table('messages')->where('state', 'waiting')->where('name', '!=', 'An hour before')->update(['state' => 'cancelled']);
CarbonImmutable::setTestNow($date->utc()->subHour());
$owner->business->forceFill(['messages_per_minute' => 100_000])->save();
$queued = 0;
$took = $seconds(function () use (&$queued): void {
    do {
        $queued += $some = app(MessageSender::class)->queueDue();
    } while ($some > 0);
});
$plain = $seconds(fn () => DB::transaction(function () use ($due): void {
    for ($i = 0; $i < $due; $i++) {
        DB::table('plain')->insert(['words' => str_repeat('x', 200)]);
    }
}));
$say(number_format($due).' reminders of one moment handed to the workers, to as many bare inserts', $took, $plain,
    sprintf(' (%s handed over in %.1f s)', number_format($queued), $took));
CarbonImmutable::setTestNow();

// The room: everybody is in it now, and reports every so many seconds as the answers say.
DB::table('registrations')->update(['starts_at' => Instant::sql($now), 'ends_at' => Instant::sql($now->addHour()),
    'settle_at' => Instant::sql($now->addHour())]);
DB::table('webinar_sessions')->insert(['id' => str_repeat('b', 26), 'business_id' => $owner->business_id, 'funnel_id' => $funnel->id,
    'webinar_id' => $row->id, 'session_key' => $key, 'starts_at' => Instant::sql($now), 'ends_at' => Instant::sql($now->addHour()),
    'begun_at' => Instant::sql($now)]);
$ask = function (string $method, string $url, string $body = '') {
    $curl = curl_init($url);
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_TIMEOUT => 60,
        CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Accept: application/json', 'User-Agent: Mozilla/5.0']]
        + ($body === '' ? [] : [CURLOPT_POSTFIELDS => $body]));

    return $curl;
};
/** Asks one after the other; the middle time in milliseconds. */
$middle = function (callable $make, int $times): float {
    $took = [];
    for ($i = 0; $i < $times; $i++) {
        $curl = $make($i);
        curl_exec($curl);
        $took[] = curl_getinfo($curl, CURLINFO_TOTAL_TIME) * 1000;
    }
    sort($took);

    return $took[intdiv($times, 2)];
};
$all = Registration::query()->orderBy('id')->limit(1000)->get();
$empty = $middle(fn () => $ask('GET', "{$scratch->site}/m/now"), 60);
$one = $middle(fn (int $i) => $ask('POST', $scratch->site.RegistrationLinks::path($all[$i]).'/report',
    (string) json_encode(['device' => str_repeat('c', 16), 'played' => [[0, 1]]])), 60);
$say('one report from a room, to an empty route', $one, $empty, sprintf(' (%.1f ms)', $one));
foreach ([300, 1000] as $size) {
    DB::table('room_devices')->delete();
    $multi = curl_multi_init();
    $next = [];
    $begin = microtime(true);
    for ($i = 0; $i < $size; $i++) {
        $next[$i] = $begin + 10 * $i / $size;
    }
    $asked = $lost = 0;
    $times = [];
    $sent = array_fill(0, $size, 0);
    $open = [];
    $until = $begin + $minute;
    while (microtime(true) < $until || $open !== []) {
        $at = microtime(true);
        foreach ($at < $until ? $next : [] as $i => $when) {
            if ($when <= $at && count($open) < 64) {
                $second = max(0, time() - $now->getTimestamp());
                $from = $sent[$i] ?: max(0, $second - 1);
                $curl = $ask('POST', $scratch->site.RegistrationLinks::path($all[$i]).'/report',
                    (string) json_encode(['device' => str_repeat('d', 16),
                        'played' => [[$from, $second]]]));
                $sent[$i] = $second;
                curl_multi_add_handle($multi, $curl);
                $open[(int) spl_object_id($curl)] = [$curl, $i];
                $next[$i] = PHP_INT_MAX;
            }
        }
        curl_multi_exec($multi, $running);
        curl_multi_select($multi, 0.005);
        while ($done = curl_multi_info_read($multi)) {
            [$curl, $i] = $open[(int) spl_object_id($done['handle'])];
            unset($open[(int) spl_object_id($done['handle'])]);
            $answer = json_decode((string) curl_multi_getcontent($curl), true);
            $asked++;
            $lost += curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200 ? 0 : 1;
            $times[] = curl_getinfo($curl, CURLINFO_TOTAL_TIME) * 1000;
            $next[$i] = microtime(true) + (is_array($answer) ? (int) ($answer['next'] ?? 10) : 10);
            curl_multi_remove_handle($multi, $curl);
        }
    }
    sort($times);
    $counted = DB::table('room_devices')->where('device', str_repeat('d', 16))->count();
    $say(number_format($size)." people in a room for {$minute} seconds, the middle answer to an empty route",
        $times[intdiv(count($times), 2)],
        $empty, sprintf(' (%s requests, %.0f a second; the slowest in a hundred %.0f ms; %d refused; %s of %s counted)',
            number_format($asked),
            $asked / $minute, $times[(int) (count($times) * 0.99)], $lost, number_format($counted), number_format($size)));
}

// The report: a million reports of ten seconds each, of a thousand people, as they are kept.
$took = $seconds(function () use (&$kept): void {
    $kept = [];
    for ($p = 0; $p < 1000; $p++) {
        $watched = Intervals::nothing();
        for ($i = 0; $i < 1000; $i++) {
            $from = (($i * 7) % 355) * 10 + $p % 10;
            $watched = $watched->and(Intervals::of([[$from, $from + 9 + $i % 3]]));
        }
        $kept[] = $watched->intervals;
    }
});
printf("a million reports put into intervals: %.1f s, %s each\n", $took, number_format($took * 1e9 / 1e6).' ns');
DB::table('room_devices')->delete();
foreach (array_chunk($all->all(), 100) as $some) {
    DB::table('room_devices')->insert(array_map(fn (Registration $r): array => ['registration_id' => $r->id, 'device' => str_repeat('e',
        16),
        'kind' => 'live', 'first_at' => Instant::sql($now), 'last_at' => Instant::sql($now),
        'intervals' => json_encode(array_shift($kept))],
        $some));
}
DB::statement('create table beats (id integer primary key, person integer, second integer)');
DB::statement('with recursive n(i) as (select 0 union all select i + 1 from n where i < 999999)
    insert into beats (person, second) select i / 1000, (i % 1000) * 3 from n');
$plain = $seconds(fn () => DB::select('select second / 30 as point, count(distinct person) from beats group by point'));
$took = $seconds(fn () => Attendance::curve($row->id, $key, 3600));
$say('the curve of a session of 1,000 people, to counting a million rows', $took, $plain, sprintf(' (%.0f ms)', $took * 1000));
$took = $seconds(fn () => Attendance::sessions($row->id));
$say('the numbers of all sessions of 10,000 registrations, likewise', $took, $plain, sprintf(' (%.0f ms)', $took * 1000));
CarbonImmutable::setTestNow($now->addHours(4));
$took = $seconds(function (): void {
    do {
        $some = app(AttendanceResults::class)->work(CarbonImmutable::now());
    } while ($some > 0);
});
$plain = $seconds(fn () => DB::transaction(function () use ($people): void {
    for ($i = 0; $i < $people; $i++) {
        DB::table('plain')->insert(['words' => str_repeat('x', 200)]);
    }
}));
$say('settling what became of '.number_format($people).' people, to as many bare inserts', $took, $plain,
    sprintf(' (%.1f ms each)', $took * 1000 / $people));
