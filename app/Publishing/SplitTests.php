<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Drafts\DraftPlan;
use App\Experiments\ExperimentResults;
use App\Experiments\RunningTests;
use App\Mail\Sequences\CarryChange;
use App\Models\DraftPart;
use App\Models\Experiment;
use App\Models\Funnel;
use App\Models\User;
use App\Models\Version;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Experiments\Verdict;
use Lantern\Core\Support\Invalid;

/** Split tests begin and end in public: with a version that brings them, and with what everybody gets since. */
final readonly class SplitTests implements DueWork
{
    /** How often one that may end by itself is looked at. Looking does not spoil it; more often says nothing new. Seconds. */
    private const EVERY = 3600;

    public function __construct(private Publishing $publishing)
    {
    }

    /** Publishes the draft with this test in it. {@see NotReady} where that cannot be. */
    public function start(Funnel $funnel, DraftPart $row, ?User $by): Version
    {
        return DB::transaction(function () use ($funnel, $row, $by): Version {
            $test = $row->part();
            if (! $test instanceof SplitTest) {
                throw Invalid::at('test', 'This is no split test.');
            }
            if (Experiment::query()->whereKey($test->id)->whereNotNull('ended_at')->where('ended_how', '!=', 'withdrawn')->exists()) {
                throw Invalid::at('test', 'This split test has ended. Begin a new one.');
            }
            $row->put($test->started(true))->forceFill(['revision' => $row->revision + 1])->save();
            $funnel->unsetRelation('parts');

            return $this->publishing->publish($funnel, $by, "Split test of “{$test->name}”");
        });
    }

    /**
     * Ends it: everybody gets the winner at once, and the draft becomes what they get.
     *
     * @param  string|null  $winner  its letter; null to go back to what was there before
     * @param  string  $how  owner or by-itself
     */
    public function end(Experiment $experiment, ?string $winner, string $how, string $learned, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($experiment, $winner, $how, $learned, $now): void {
            if ($winner !== null && ! isset($experiment->variants[$winner])) {
                throw Invalid::at('winner', 'This test has no such variant.');
            }
            if (! RunningTests::end($experiment, $winner ?? SplitTest::ORIGINAL, $how, $now)) {
                throw Invalid::at('test', 'This split test has ended already.');
            }
            Experiment::query()->whereKey($experiment->id)->update(['learned' => $learned]);
            self::takeOver($experiment, $winner ?? SplitTest::ORIGINAL, $now);
            if ($experiment->tested === Tested::Timing) {
                // Whoever is on the way gets what waits for them at the moments that won.
                CarryChange::dispatch($experiment->funnel_id)->afterCommit();
            }
        });
    }

    /** The draft becomes the winner; the test and its variants are put away. */
    private static function takeOver(Experiment $experiment, string $winner, CarbonImmutable $now): void
    {
        $draft = DraftPlan::read(Funnel::query()->findOrFail($experiment->funnel_id));
        foreach ($draft->variantsOf($experiment->id) as $variant) {
            if ($variant->letter === $winner) {
                foreach ($draft->withContent($variant->content, $experiment->part_id)->parts as $part) {
                    $before = $draft->part($part->id());
                    if ($before !== null && $before !== $part) {
                        $row = DraftPart::there($experiment->funnel_id)->findOrFail($part->id());
                        $row->put(DraftPlan::kept($part))->forceFill(['revision' => $row->revision + 1])->save();
                    }
                }
            }
        }
        foreach (DraftPart::there($experiment->funnel_id)->whereIn('kind', [Variant::kind(), SplitTest::kind()])->get() as $row) {
            $part = $row->part();
            if ($part instanceof SplitTest && $part->id === $experiment->id) {
                $row->put($part->started(false));
            } elseif (! $part instanceof Variant || $part->test !== $experiment->id) {
                continue;
            }
            $row->forceFill(['removed' => ['at' => Instant::json($now)]])->save();
        }
    }

    public function task(): Task
    {
        return Task::SplitTests;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        $looked = Experiment::query()->whereNull('ended_at')->where('by_itself', true)->min('looked_at');

        return Experiment::query()->whereNull('ended_at')->where('by_itself', true)->doesntExist() ? null
            : (Instant::carbon($looked) ?? $now->subSeconds(self::EVERY))->addSeconds(self::EVERY);
    }

    public function work(CarbonImmutable $now): int
    {
        $ended = 0;
        foreach (Experiment::query()->with(['business', 'funnel'])->whereNull('ended_at')->where('by_itself',
            true)->orderBy('id')->get() as $e) {
            Experiment::query()->whereKey($e->id)->update(['looked_at' => Instant::sql($now)]);
            $answer = (new ExperimentResults($e, $now))->answer();
            if ($answer->verdict === Verdict::Winner) {
                $this->end($e, $answer->arms[$answer->leader]->letter, 'by-itself', '', $now);
                $ended++;
            }
        }

        return $ended;
    }
}
