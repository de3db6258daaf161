<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Support\Ids;
use App\Support\RichText;
use Carbon\CarbonImmutable;
use Lantern\Core\Parts\Part;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Chapter;
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
        return ['name', 'title', 'schedule', 'mode', 'stream', 'video', 'pauses', 'offer', 'threshold', 'replay', 'showsPlaces', 'captions',
            'chapters', 'tags'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        $written = $part->toArray();
        $title = is_string($written['title'] ?? null) ? $written['title'] : '';

        $chapters = array_map(fn (Chapter $c): array => ['second' => $c->second, 'title' => RichText::plain($c->title)],
            $part instanceof Webinar ? $part->chapters : []);

        return Webinar::fromShape(Shape::of(['title' => RichText::plain($title), 'chapters' => $chapters] + $written));
    }

    protected function check(DraftPart $row, Part $part): void
    {
        self::speaksOfItsFunnel($row, $part, 'offer', 'This offer is not in this funnel any more. Please choose again.');
        if (! $part instanceof Webinar) {
            return;
        }
        $before = $row->part()->uploads();
        foreach (['video' => $part->video, 'captions' => $part->captions] as $kind => $id) {
            $upload = $id === '' ? null : Upload::query()->where('business_id', $row->funnel->business_id)->where('kind', $kind)->find($id);
            if ($id !== '' && $upload === null && ! in_array($id, $before, true)) {
                throw Invalid::at($kind, $kind === 'video' ? 'This video is not there. Please choose it again.'
                    : 'These captions are not there. Please choose them again.');
            }
            if ($kind === 'video' && $upload !== null && ! in_array($id, $before, true) && $upload->length() === null) {
                throw Invalid::at('video', "“{$upload->name}” does not say how long it is, so that nobody could be led to the right "
                    .'second. '
                    .'Please save it anew as MP4, and choose that.');
            }
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

    /** @return list<string> what becomes of the emails that are told from it, and of those who are registered */
    public function remove(DraftPart $row): array
    {
        parent::remove($row);
        $emails = array_filter(DraftPlan::read($row->funnel)->emails, fn (EmailPlan $e): bool => $e->bySession()?->webinar === $row->id);

        return $emails === [] ? [] : [count($emails) === 1 ? 'One email was told from it, and goes to nobody until you give it another '
            .'time.'
            : count($emails).' emails were told from it, and go to nobody until you give them another time.'];
    }

    public function json(DraftPart $row, Part $part): array
    {
        if (! $part instanceof Webinar) {
            return [];
        }

        return ['title' => $part->title, 'schedule' => $part->schedule->toArray(), 'mode' => $part->mode->value,
            'stream' => $part->stream, 'video' => $part->video, 'pauses' => $part->pauses, 'offer' => $part->offer?->toArray(),
            'threshold' => $part->threshold->toArray(), 'replay' => $part->replay?->toArray(), 'showsPlaces' => $part->showsPlaces,
            'captions' => $part->captions, 'chapters' => array_map(fn (Chapter $c): array => $c->toArray(), $part->chapters),
            'tags' => (object) $part->tags, 'seconds' => Upload::query()->find($part->video)?->length(),
            'words' => $part->schedule->words()];
    }
}
