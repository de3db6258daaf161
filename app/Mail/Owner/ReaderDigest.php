<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Sending\Planner;
use App\Models\Business;
use App\Models\Funnel;
use App\Support\DueWork;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Agenda\DailyMoment;
use Lantern\Core\Agenda\Task;
use Lantern\Core\Events\EventType;
use Lantern\Core\Forms\OwnerNotice;
use Lantern\Core\Guides\Guide;

/** The daily email to an owner about who has begun or finished a guide of which they are to be told once a day. */
final readonly class ReaderDigest implements DueWork
{
    public function __construct(private Planner $planner)
    {
    }

    public function task(): Task
    {
        return Task::ReaderDigest;
    }

    public function next(CarbonImmutable $now): ?CarbonImmutable
    {
        return Instant::first(...Business::query()->get()->map(fn (Business $b): CarbonImmutable => CarbonImmutable::instance(
            DailyMoment::next(Digest::HOUR, $b->readers_told_at, $now, $b->zone())))->all());
    }

    public function work(CarbonImmutable $now): int
    {
        $planned = 0;
        foreach (Business::query()->get() as $business) {
            $today = DailyMoment::due(Digest::HOUR, $business->readers_told_at, $now, $business->zone());
            $since = $business->readers_told_at ?? $today?->modify('-1 day');
            if ($today === null || $since === null || Business::query()->where('id', $business->id)
                ->where(fn ($q) => $q->whereNull('readers_told_at')->orWhere('readers_told_at', '<', Instant::sql($today)))
                ->update(['readers_told_at' => Instant::sql($now)]) === 0) {
                continue;
            }
            $readers = self::readers($business, CarbonImmutable::instance($since), $now);
            if ($readers !== []) {
                $planned++;
                $this->planner->planReaderDigest($business, $now->setTimezone($business->zone())->format('Y-m-d'), $readers);
            }
        }

        return $planned;
    }

    /** @return list<array{string, string, bool}> person, guide, and whether they finished it */
    private static function readers(Business $business, CarbonImmutable $since, CarbonImmutable $until): array
    {
        $types = [EventType::GuideBegun->value, EventType::GuideFinished->value];
        $guides = [];
        $readers = [];
        foreach (DB::table('events')->where('business_id', $business->id)->whereIn('type', $types)->where('owner', false)
            ->whereNotNull('person_id')->where('at', '>=', Instant::sql($since))->where('at', '<', Instant::sql($until))->orderBy('id')
            ->get(['type', 'funnel_id', 'page_id', 'person_id']) as $event) {
            $guide = $guides[(string) $event->page_id] ??= self::guide((string) $event->funnel_id, (string) $event->page_id);
            $finished = $event->type === EventType::GuideFinished->value;
            if ($guide instanceof Guide && ($finished ? $guide->finished : $guide->begun) === OwnerNotice::Daily) {
                $readers[] = [(string) $event->person_id, $guide->id, $finished];
            }
        }

        return $readers;
    }

    /** As it is public; false where it is not any more. */
    private static function guide(string $funnel, string $guide): Guide|false
    {
        return Funnel::query()->with('liveVersion')->where('id', $funnel)->first()?->liveVersion?->plan()->guide($guide) ?? false;
    }
}
