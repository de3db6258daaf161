<?php

declare(strict_types=1);

namespace App\Guides;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Funnel;
use App\Models\Person;
use App\Records\GuideFacts;
use App\Records\Readings;
use App\Support\Instant;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Guides\PageReport;
use Lantern\Core\Guides\Sitting;
use Lantern\Core\Plan\FunnelState;

/**
 * Takes what devices report of a guide, and what follows from it. What is believed is decided by {@see Sitting}; a report that comes
 * twice, late or out of order changes nothing that was true.
 */
final readonly class ReadingLog
{
    /** So many sittings are kept of one reading; what is reported of more is passed over. */
    public const MOST_SITTINGS = 200;

    public function __construct(private Events $events)
    {
    }

    /**
     * @param  string|null  $sitting  the name the device gave it; null where nothing is told of the time
     * @param  int  $open  seconds for which the guide has been open there, as the device says
     * @param  list<PageReport>  $seen
     * @param  list<array{string, int, string|bool}>  $answers
     * @return bool is there such a reading?
     */
    public function take(string $reading, ?string $sitting, int $open, array $seen, array $answers, ?string $visitor,
        DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($reading, $sitting, $open, $seen, $answers, $visitor, $now): bool {
            $row = DB::table('guide_readings')->where('id', $reading)->first(['person_id', 'guide_id', 'funnel_id']);
            $funnel = $row === null ? null : Funnel::query()->with(['business', 'liveVersion'])->where('id',
                (string) $row->funnel_id)->first();
            $facts = $funnel === null ? null : GuideFacts::live($funnel, (string) $row->guide_id);
            if ($row === null || $funnel === null || $facts === null) {
                return false;
            }
            Answers::take($reading, $answers, $facts, $now);
            if ($sitting !== null && self::write($reading, $sitting, $open, $seen, $facts, $now)) {
                $this->follow((string) $row->person_id, (string) $row->guide_id, $funnel, $facts, $visitor, $now);
            }

            return true;
        });
    }

    /**
     * @param  list<PageReport>  $seen
     * @return bool is anything known that was not?
     */
    private static function write(string $reading, string $sitting, int $open, array $seen, GuideFacts $facts, DateTimeImmutable $now): bool
    {
        $which = ['reading_id' => $reading, 'sitting' => $sitting];
        $kept = DB::table('guide_sittings')->where($which)->first();
        if ($kept === null && DB::table('guide_sittings')->where('reading_id', $reading)->count() >= self::MOST_SITTINGS) {
            return false;
        }
        $before = $kept === null ? Sitting::begun($now->getTimestamp(), $open)
            : Sitting::read((int) $kept->began, json_decode((string) $kept->seen, true), json_decode((string) $kept->scrolled, true));
        $after = $before->with($seen, $facts->ids(), $now->getTimestamp());
        if ($kept !== null && $after->written() === $before->written() && $after->scrolled === $before->scrolled) {
            return false;
        }
        DB::table('guide_sittings')->updateOrInsert($which, ['began' => $after->began, 'last_at' => Instant::sql($now),
            'seen' => json_encode((object) $after->written(), JSON_THROW_ON_ERROR),
            'scrolled' => json_encode((object) $after->scrolled, JSON_THROW_ON_ERROR)]);

        return $after->seen !== [];
    }

    private function follow(string $personId, string $guide, Funnel $funnel, GuideFacts $facts, ?string $visitor,
        DateTimeImmutable $now): void
    {
        $before = Readings::kept($personId, $guide);
        $after = Readings::follow($personId, $guide, $funnel->id, $facts, $now);
        $person = $after->differsFrom($before) && $funnel->state === FunnelState::Live
            ? Person::query()->with('business')->whereNull('erased_at')->find($personId) : null;
        if ($person === null) {
            return;
        }
        if ($after->beginsSince($before)) {
            $this->events->take(self::event(EventType::GuideBegun, $person, $guide, $funnel, $visitor, $now));
        }
        if ($after->pagesSince($before) !== []) {
            $this->events->take(self::event(EventType::GuideRead, $person, $guide, $funnel, $visitor, $now, $after->pagesSince($before),
                [$before->share, $after->share]));
        }
        if ($after->finishesSince($before)) {
            $this->events->take(self::event(EventType::GuideFinished, $person, $guide, $funnel, $visitor, $now));
        }
    }

    /**
     * @param  list<string>  $pages  ids
     * @param  array{int, int}  $shares
     */
    private static function event(EventType $type, Person $person, string $guide, Funnel $funnel, ?string $visitor, DateTimeImmutable $now,
        array $pages = [], array $shares = [0, 0]): NewEvent
    {
        return new NewEvent($type, $funnel->business, $now, $funnel, $funnel->liveVersion, $guide, person: $person, visitor: $visitor,
            owner: $person->owner_try, data: ['guide' => $guide] + ($pages === [] ? [] : ['pages' => $pages]), guide: $guide,
            pagesRead: $pages, shares: $shares);
    }
}
