<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Sending\Planner;
use App\Models\Business;
use App\Models\Submission;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Lantern\Core\Agenda\DailyMoment;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Forms\SubmissionState;

/** The daily email to an owner about everybody who filled in a form that is to be told of once a day. */
final readonly class Digest implements DueWork
{
    /** The hour in the owner's zone from which on it goes out. */
    public const HOUR = 8;

    public function __construct(private Planner $planner)
    {
    }

    public function task(): Task
    {
        return Task::Digest;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::first(...Business::query()->get()->map(fn (Business $b): CarbonImmutable => CarbonImmutable::instance(
            DailyMoment::next(self::HOUR, $b->told_at, $now, $b->zone())))->all());
    }

    public function work(CarbonImmutable $now): int
    {
        $planned = 0;
        foreach (Business::query()->get() as $business) {
            $today = DailyMoment::due(self::HOUR, $business->told_at, $now, $business->zone());
            if ($today === null) {
                continue;
            }
            // The first time it tells of one day; afterwards of all since it told last, so that nobody is left out.
            $since = $business->told_at ?? $today->modify('-1 day');
            if (Business::query()->where('id', $business->id)
                ->where(fn ($q) => $q->whereNull('told_at')->orWhere('told_at', '<', Instant::sql($today)))
                ->update(['told_at' => Instant::sql($now)]) === 0) {
                continue;
            }
            $ids = array_values(Submission::query()->with('version')->whereHas('funnel', fn ($q) => $q->where('business_id', $business->id))
                ->where('state', SubmissionState::Taken)
                ->whereRaw('coalesce(confirmed_at, submitted_at) >= ?', [Instant::sql($since)])
                ->whereRaw('coalesce(confirmed_at, submitted_at) < ?', [Instant::sql($now)])->orderBy('submitted_at')->get()
                ->filter(fn (Submission $s): bool => $s->version->plan()->form($s->form_id)?->notice === OwnerNotice::Daily)
                ->map(fn (Submission $s): string => $s->id)->all());
            if ($ids !== []) {
                $planned++;
                $this->planner->planDigest($business, $now->setTimezone($business->zone())->format('Y-m-d'), $ids);
            }
        }

        return $planned;
    }
}
