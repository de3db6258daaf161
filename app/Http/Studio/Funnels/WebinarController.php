<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Files\Uploads;
use App\Http\Studio\StudioController;
use App\Models\Upload;
use App\Support\Input;
use App\Support\Instant;
use App\Webinars\Attendance;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\WallClock;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\Sessions;
use Lantern\Core\Webinars\Webinar;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A webinar on the desk. */
final class WebinarController extends StudioController
{
    private const WEEKS = 8;

    /** What is known of it beside its draft: its sessions with their numbers, and the names of its files. */
    public function show(string $part): JsonResponse
    {
        $found = $this->draftPart($part, Webinar::kind());
        $webinar = $found->part();
        if (! $webinar instanceof Webinar) {
            throw new NotFoundHttpException;
        }
        $names = Upload::query()->whereIn('id', $webinar->uploads())->pluck('name', 'id');

        return response()->json(['sessions' => Attendance::listed($webinar, CarbonImmutable::now()),
            'totals' => Attendance::totals($webinar->id), 'videoName' => $names[$webinar->video] ?? null,
            'captionsName' => $names[$webinar->captions] ?? null, 'length' => Upload::query()->find($webinar->video)?->length(),
            'embedHosts' => $this->business()->embed_hosts]);
    }

    /** Captions for its recording. */
    public function captions(Request $request, string $part, Uploads $uploads): JsonResponse
    {
        $this->draftPart($part, Webinar::kind());
        $file = $request->file('captions');
        if (! $file instanceof UploadedFile) {
            throw Invalid::at('captions', 'The captions did not arrive. Please choose them again.');
        }
        $made = $uploads->captions($this->business(), $file);

        return response()->json(['id' => $made->id, 'name' => $made->name], 201);
    }

    /** The sessions of the next eight weeks as somebody in a zone sees them, by the schedule on the screen. Nothing is stored. */
    public function calendar(Request $request, string $part): JsonResponse
    {
        $found = $this->draftPart($part, Webinar::kind());
        $webinar = $found->part();
        $name = Input::text($request, 'zone');
        if ($name !== '' && ! WallClock::isZone($name)) {
            throw Invalid::at('zone', 'There is no such time zone.');
        }
        $zone = $name === '' ? $found->funnel->business->zone() : new DateTimeZone($name);
        $schedule = Schedule::fromShape($request->has('schedule') ? Shape::of($request->input('schedule'), 'schedule')
            : Shape::of($webinar instanceof Webinar ? $webinar->schedule->toArray() : []));
        $now = CarbonImmutable::now();
        $until = $now->addWeeks(self::WEEKS);
        $sessions = new Sessions($schedule);
        $offered = array_map(fn ($choice): string => $choice->session->key, $sessions->offered($now, $zone));

        return response()->json(['zone' => $zone->getName(), 'words' => $schedule->words(),
            'from' => $now->setTimezone($zone)->format('Y-m-d'), 'until' => $until->setTimezone($zone)->format('Y-m-d'),
            'sessions' => array_map(fn (Session $s): array => ['key' => $s->key, 'startsAt' => Instant::json($s->startsAt),
                'day' => $s->startsAt->setTimezone($zone)->format('Y-m-d'), 'time' => $s->startsAt->setTimezone($zone)->format('H:i'),
                'offered' => in_array($s->key, $offered, true)], $sessions->between($now, $until, $zone, $now))]);
    }
}
