<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Mail\Sending\Planner;
use App\Models\Registration;
use App\Support\Ids;
use App\Support\Instant;
use App\Warmth\Scores;
use App\Warmth\WarmDays;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Warmth\Action;
use Lantern\Core\Webinars\WebinarMode;

/** Questions to the host. They are plain text, and seen by nobody else in the room. */
final readonly class Questions
{
    public const LONGEST = 1000;

    /** So many questions of one person are taken in a minute, and so many in a session. */
    private const A_MINUTE = 5;

    private const A_SESSION = 100;

    public const STATES = ['open', 'answered', 'aired', 'hidden'];

    public function __construct(private Planner $planner)
    {
    }

    /** @throws Invalid for nothing, for too much, and for too many */
    public function ask(Registration $registration, LiveRoom $room, string $device, string $words, int $second,
        DateTimeImmutable $now): void
    {
        $words = trim((string) preg_replace('/[^\P{C}\n\t]+/u', '', $words));
        if ($words === '') {
            throw Invalid::said('question', Phrase::of('room.no_question'));
        }
        if (mb_strlen($words) > self::LONGEST) {
            throw Invalid::said('question', Phrase::of('room.long_question', ['most' => self::LONGEST]));
        }
        $id = DB::transaction(function () use ($registration, $device, $words, $second, $now): string {
            $theirs = DB::table('room_questions')->where('registration_id', $registration->id);
            if ((clone $theirs)->where('asked_at', '>', Instant::sql($now->modify('-1 minute')))->count() >= self::A_MINUTE
                || (clone $theirs)->count() >= self::A_SESSION) {
                throw Invalid::said('question', Phrase::of('room.many_questions'));
            }
            // Pressed twice is asked once.
            $same = (clone $theirs)->where('words', $words)->where('asked_at', '>', Instant::sql($now->modify('-1 minute')))->value('id');
            $id = is_string($same) ? $same : Ids::next();
            if (! is_string($same)) {
                DB::table('room_questions')->insert(['id' => $id, 'business_id' => $registration->business_id,
                    'webinar_id' => $registration->webinar_id, 'session_key' => $registration->session_key,
                    'registration_id' => $registration->id, 'person_id' => $registration->person_id, 'device' => $device,
                    'second' => $second, 'words' => $words, 'state' => 'open', 'asked_at' => Instant::sql($now)]);
                if (! $registration->owner && WarmDays::add($registration->person_id, Action::Asked, $now,
                    $registration->funnel->business->zone())) {
                    Scores::follow($registration->person_id, $registration->funnel->business, $now);
                }
            }

            return $id;
        });
        if ($room->room->webinar->mode === WebinarMode::Automated && ! $registration->owner) {
            // Nobody sits there and reads: it reaches the host by email.
            $this->planner->planRoomNotice($registration->funnel->business, $registration->funnel_id, "room-question:{$id}", $now,
                ['question' => $id, 'title' => $room->room->webinar->title]);
        }
    }
}
