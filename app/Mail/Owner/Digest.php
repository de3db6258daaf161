<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Sending\Planner;
use App\Models\Business;
use App\Models\Submission;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Forms\SubmissionState;

/** The daily email to an owner about everybody who filled in a form that is to be told of once a day. */
final readonly class Digest
{
    /** The hour in the owner's zone from which on it goes out. */
    public const HOUR = 8;

    public function __construct(private Planner $planner)
    {
    }

    public function tick(CarbonImmutable $now): void
    {
        foreach (Business::query()->get() as $business) {
            $local = $now->setTimezone($business->zone());
            $today = $local->setTime(self::HOUR, 0);
            if ($local < $today || ($business->told_at !== null && $business->told_at >= $today)) {
                continue;
            }
            // The first time it tells of one day; afterwards of all since it told last, so that nobody is left out.
            $since = $business->told_at ?? $today->subDay();
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
                $this->planner->planDigest($business, $local->format('Y-m-d'), $ids);
            }
        }
    }
}
