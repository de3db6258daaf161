<?php

declare(strict_types=1);

namespace Tests\Feature\Release;

use App\Journey\Events;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Results\Counts;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** The demo data is what it says, and the two commands say what is wrong. */
final class DemoTest extends TestCase
{
    public function test_three_months_of_ferncroft_cello_room(): void
    {
        // A tenth of the crowd; LANTERN_DEMO_PART=1 takes all of it.
        $part = (int) (getenv('LANTERN_DEMO_PART') ?: 10);
        config(['lantern.demo_part' => $part]);
        // What falls due while the data are being made waits for the scheduler.
        $began = now()->format('Y-m-d H:i:s');
        $this->seed(DemoSeeder::class);

        self::assertSame(['closed', 'draft', 'draft', 'live', 'live', 'live', 'live'],
            DB::table('funnels')->orderBy('state')->pluck('state')->all());
        $live = Funnel::query()->where('address', 'practice-plan')->sole();
        $people = DB::table('submissions')->where('funnel_id', $live->id)->distinct()->count('person_id');
        $visitors = (int) DB::table('counts')->where('measure', 'visitors')->where('slice', '')->where('before', '')
            ->where('page_id', $this->entry($live)->id)->sum('how_many');
        self::assertEqualsWithDelta(intdiv(436, $part), $visitors, 4);
        self::assertEqualsWithDelta(intdiv(136, $part), $people, 10 / $part + 4);
        self::assertSame([], Person::query()->where('email', 'not like', '%@example.%')->pluck('email')->all(),
            'all addresses are made up');
        self::assertSame(0, Message::query()->whereIn('state', ['sending', 'failed'])->count());
        self::assertSame(0, Message::query()->where('state', 'waiting')->where('due_at', '<', $began)->count());
        self::assertSame(Message::query()->where('state', 'sent')->count(), DB::table('outbox')->count());
        self::assertSame(0, DB::table('jobs')->count(), 'nothing is left for a worker');
        self::assertSame(3, DB::table('popup_facts')->distinct()->count('popup_id'), 'pop-ups on the long page and on the sample site');
        self::assertSame(DB::table('popup_facts')->where('type', 'joined')->count(), DB::table('submissions')->whereNotNull('popup_id')
            ->count());
        self::assertSame(0, DB::table('popup_facts')->where('at', '>', now()->addSecond()->format('Y-m-d H:i:s.v'))->count());
        $future = DB::table('events')->where('at', '>', now()->addSecond()->format(Events::AT))->pluck('type')->all();
        self::assertSame([], $future, 'nothing has happened that is yet to come');
        $weeks = DB::table('counts')->where('measure', 'signups')->where('funnel_id', $live->id)->groupByRaw("strftime('%W', day)")
            ->orderBy('day')->selectRaw('sum(how_many) as n')->pluck('n')->map(fn ($n): int => (int) $n);
        // Of a tenth of the people a handful falls into each week, and by which day it is today the weeks are cut elsewhere.
        self::assertGreaterThan(($part === 1 ? 2 : 1) * $weeks->filter()->min(), $weeks->max(), 'weeks rise and dip');

        // The money is in the books of both sides, to the last unit.
        self::assertGreaterThan(0, DB::table('orders')->where('state', 'paid')->count());
        self::assertSame((int) DB::connection('practice')->table('charges')->where('state', 'paid')->sum(DB::raw('amount - refunded')),
            (int) DB::table('orders')->sum(DB::raw('paid - refunded')));
        $numbers = DB::table('orders')->whereNotNull('number')->orderBy('number')->pluck('number')->all();
        self::assertSame(range(1, count($numbers)), $numbers, 'orders are numbered without gaps');

        $counts = DB::table('counts')->orderBy('funnel_id')->orderBy('page_id')->orderBy('day')->orderBy('measure')->get()->all();
        app(Counts::class)->rebuild($live->business);
        self::assertEquals($counts,
            DB::table('counts')->orderBy('funnel_id')->orderBy('page_id')->orderBy('day')->orderBy('measure')->get()->all());
        $this->expectExceptionMessage('There is an owner already');
        $this->seed(DemoSeeder::class);
    }

    public function test_the_commands_say_what_is_wrong(): void
    {
        $run = function (string ...$command): array {
            $process = new Process($command, base_path());
            $process->run();

            return [$process->getExitCode(), $process->getOutput().$process->getErrorOutput()];
        };
        [$code, $said] = $run('bin/demo', '--sing');
        self::assertSame(1, $code);
        self::assertStringContainsString('I do not know “--sing”', $said);
        [$code, $said] = $run('bin/demo', '--port', 'eight');
        self::assertSame(1, $code);
        self::assertStringContainsString('After --port comes a number', $said);
        [$code, $said] = $run('bin/demo', '--help');
        self::assertSame(0, $code);
        self::assertStringContainsString('--fresh', $said);
        [$code, $said] = $run('bin/test', 'everything');
        self::assertSame(1, $code);
        self::assertStringContainsString('It is lint, core, feature, studio or browser', $said);
    }
}
