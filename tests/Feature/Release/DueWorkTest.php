<?php

declare(strict_types=1);

namespace Tests\Feature\Release;

use App\Console\SendDueMessages;
use App\Models\Message;
use App\Support\DueWork;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Symfony\Component\Finder\Finder;
use Tests\TestCase;

/** Work that comes due by itself: all of it is asked, and only what has something to do is done. */
final class DueWorkTest extends TestCase
{
    public function test_every_task_has_one_who_does_it_and_nobody_is_forgotten(): void
    {
        $tasks = array_map(fn (string $class): Task => app($class)->task(), SendDueMessages::WORK);
        self::assertSame(Task::cases(), $tasks, 'in the order of the core');
        $all = [];
        foreach (Finder::create()->files()->in(app_path())->name('*.php')->contains('/implements [^\n]*\bDueWork\b/') as $file) {
            $all[] = 'App\\'.str_replace(['/', '.php'], ['\\', ''], $file->getRelativePathname());
        }
        self::assertEqualsCanonicalizing(SendDueMessages::WORK, $all);
    }

    public function test_nothing_is_due_in_a_business_in_which_nothing_has_happened(): void
    {
        $this->live();
        DB::table('businesses')->update(['told_at' => now(), 'readers_told_at' => now()]);
        $now = CarbonImmutable::now();
        foreach (SendDueMessages::WORK as $class) {
            $next = app($class)->next($now);
            self::assertTrue($next === null || $next > $now, $class);
        }
    }

    public function test_an_email_is_queued_at_its_moment_and_not_before(): void
    {
        $funnel = $this->live();
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->runQueue();
        Message::query()->update(['state' => 'waiting', 'queued_at' => null, 'due_at' => now()->addHour()]);
        $later = Message::query()->sole();
        $next = fn (): ?string => collect(SendDueMessages::WORK)->map(fn (string $class): DueWork => app($class))
            ->firstOrFail(fn (DueWork $work): bool => $work->task() === Task::Messages)->next(CarbonImmutable::now())?->toDateTimeString();

        self::assertSame($later->due_at->toDateTimeString(), $next());
        $this->travelTo($later->due_at->subSecond());
        $this->artisan('lantern:due')->expectsOutputToContain('0 queued');
        $this->travelTo($later->due_at);
        $this->artisan('lantern:due')->expectsOutputToContain('1 queued');
    }
}
