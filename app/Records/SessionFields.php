<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Business;
use App\Models\Message;
use App\Models\Registration;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Webinars\RegistrationState;

/** What an email says of its reader's session: when it is in their zone, and their own links. */
final class SessionFields
{
    /** Those whose value is an address of ours. */
    public const LINKS = ['room_link', 'replay_link', 'calendar_link', 'change_link'];

    private const ALL = '/\{\{\s*(?:room_link|replay_link|calendar_link|change_link|session_time|webinar_title|replay_end)\b/';

    /** Do these words ask for any of it? */
    public static function areIn(string $words): bool
    {
        return preg_match(self::ALL, $words) === 1;
    }

    /**
     * @param  string|null  $webinar  the id of the one an email is told from; null for the last its reader registered for in the funnel
     * @return array<string, string> merge fields by name; of somebody who is registered for nothing, none
     */
    public static function ofMessage(Message $message, ?string $webinar, string $language): array
    {
        $webinar ??= DB::table('registrations')->where('person_id', $message->person_id)->where('funnel_id', $message->funnel_id)
            ->where('state', '!=', RegistrationState::Cancelled)->orderByRaw('open is null')->orderByDesc('id')->value('webinar_id');
        $registration = $message->person_id === null || ! is_string($webinar) ? null : RegisteredSessions::find($message->person_id,
            $webinar);

        return $registration === null ? [] : self::of($registration, $language);
    }

    /** @return array<string, string> */
    public static function of(Registration $registration, string $language): array
    {
        $webinar = RegisteredSessions::webinar($registration);
        $zone = new DateTimeZone($registration->zone);
        $now = CarbonImmutable::now();
        $ends = $webinar === null ? null : RegisteredSessions::of($webinar, $registration)->replay?->endsAt;

        return ['room_link' => RegistrationLinks::room($registration), 'replay_link' => RegistrationLinks::replay($registration),
            'calendar_link' => RegistrationLinks::calendar($registration), 'change_link' => RegistrationLinks::change($registration),
            'session_time' => $registration->isOnDemand() ? '' : TimeWords::moment($registration->starts_at, $zone, $language, $now),
            'webinar_title' => $webinar->title ?? '', 'replay_end' => $ends === null ? '' : TimeWords::moment($ends, $zone, $language,
                $now)];
    }

    /**
     * For a made-up reader, whose session is tomorrow.
     *
     * @return array<string, string>
     */
    public static function sample(Business $business, string $language): array
    {
        $now = CarbonImmutable::now();
        $zone = $business->zone();
        $at = $now->setTimezone($zone)->addDay()->setTime(18, 0);

        return array_fill_keys(self::LINKS, $business->site()->to('/')) + ['session_time' => TimeWords::moment($at, $zone, $language, $now),
            'webinar_title' => 'the webinar', 'replay_end' => TimeWords::moment($at->addDays(3), $zone, $language,
                $now)];
    }
}
