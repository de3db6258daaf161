<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Support\Ids;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Recurrence;
use Lantern\Core\Webinars\Replay;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\ScheduleKind;
use Lantern\Core\Webinars\Webinar;

final class WebinarKind extends DraftKind
{
    public function part(): string
    {
        return Webinar::class;
    }

    public function list(): string
    {
        return 'webinars';
    }

    public function typed(): array
    {
        return ['name', 'title', 'schedule', 'manner', 'stream', 'video', 'pauses', 'offer', 'bar', 'replay', 'showsPlaces'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        $written = $part->toArray();
        $title = is_string($written['title'] ?? null) ? $written['title'] : '';

        return Webinar::fromShape(Shape::of(['title' => RichText::plain($title)] + $written));
    }

    protected function check(DraftPart $row, Part $part): void
    {
        self::speaksOfItsFunnel($row, $part, 'offer', 'This offer is not in this funnel any more. Please choose again.');
        $videos = Upload::query()->where('business_id', $row->funnel->business_id)->where('kind', 'video')->whereIn('id', $part->uploads());
        if (array_diff($part->uploads(), $videos->pluck('id')->all(), $row->part()->uploads()) !== []) {
            throw Invalid::at('video', 'This video is not there. Please bring it again.');
        }
    }

    /** Every Tuesday at six in the evening, from tomorrow on. */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $zone = $funnel->business->timezone;
        $from = CarbonImmutable::now($zone)->addDay()->format('Y-m-d');

        return new Webinar(Ids::next(), $this->nextName($funnel, 'Webinar'), $funnel->name,
            new Schedule(ScheduleKind::Recurring, $zone, recurrence: new Recurrence('week', 1, [2], 0, 0, $from), times: ['18:00']),
            replay: new Replay);
    }

    public function json(DraftPart $row, Part $part): array
    {
        if (! $part instanceof Webinar) {
            return [];
        }

        return ['title' => $part->title, 'schedule' => $part->schedule->toArray(), 'manner' => $part->manner->value,
            'stream' => $part->stream, 'video' => $part->video, 'pauses' => $part->pauses, 'offer' => $part->offer?->toArray(),
            'bar' => $part->bar->toArray(), 'replay' => $part->replay?->toArray(), 'showsPlaces' => $part->showsPlaces,
            'words' => $part->schedule->words()];
    }
}
