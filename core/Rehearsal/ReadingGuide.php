<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Guides\GuidePage;
use Lantern\Core\Guides\Progress;
use Lantern\Core\Promises\Choice;

/** Reading a guide, page by page. */
final readonly class ReadingGuide
{
    public function __construct(private Stage $stage, private Following $following, private Visiting $visiting)
    {
    }

    /** @return string|null why it is not possible */
    public function read(Life $life, Choice $choice): ?string
    {
        $guide = $this->stage->plan->guide($choice->of);
        $pages = array_map(fn (GuidePage $p): string => $p->id, $guide === null ? [] : $this->stage->plan->pagesOf($guide->id));
        $last = $choice->to === '' ? count($pages) - 1 : array_search($choice->to, $pages, true);
        if ($guide === null || $last === false || $pages === []) {
            return 'There is no such guide, or no such page in it.';
        }
        if ($life->joined === []) {
            return 'The guide is for those who have joined.';
        }
        $this->visiting->come($life, $guide->id);
        if ($life->page !== $guide->id) {
            return null;
        }
        $before = $life->reading[$guide->id] ?? new Progress;
        $read = array_values(array_unique([...$before->read, ...array_slice($pages, 0, $last + 1)]));
        $after = new Progress(true, $read, intdiv(100 * count(array_intersect($pages, $read)), count($pages)),
            $before->finished || $guide->finish->holds($pages, $read, $read));
        $life->reading[$guide->id] = $after;
        $life->tell(HappeningKind::Guide, $guide->id, "They read {$after->share} % of “{$guide->title}”.", ['share' => $after->share]);
        $event = fn (EventType $type, array $new = []): Event => new Event($type, $life->now, $guide->id, guide: $guide->id,
            pagesRead: array_values(array_filter($new, is_string(...))), shares: [$before->share, $after->share]);
        if ($after->beginsSince($before)) {
            $this->following->take($life, $event(EventType::GuideBegun));
        }
        if ($after->pagesSince($before) !== []) {
            $this->following->take($life, $event(EventType::GuideRead, $after->pagesSince($before)));
        }
        if ($after->finishesSince($before)) {
            $this->following->take($life, $event(EventType::GuideFinished));
        }

        return null;
    }
}
