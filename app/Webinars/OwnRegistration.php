<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Models\Funnel;
use App\Models\Registration;
use App\Models\Submission;
use App\People\Proof\Proven;
use App\Records\RegisteredSessions;
use App\Records\RegistrationLinks;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Http\Request;

/** Whose place in a webinar it is that a browser shows: by their own link, by the form that was filled in here, by an email's link. */
final class OwnRegistration
{
    public static function of(Request $request, Funnel $funnel, string $webinar, ?Submission $submission, ?Proven $reader): ?Registration
    {
        $own = RegistrationLinks::ofSeat(SiteCookies::read($request, SiteCookie::Registration));
        if ($own !== null && $own->funnel_id === $funnel->id && $own->webinar_id === $webinar) {
            return self::latest($own);
        }
        $made = $submission === null ? null : Registration::query()->where('submission_id', $submission->id)
            ->where('webinar_id', $webinar)->latest('id')->first();
        $found = $made ?? ($reader === null ? null : RegisteredSessions::find($reader->person->id, $webinar));

        return $found === null ? null : self::latest($found);
    }

    /** Whoever has chosen another session since by a link in an email is in that one. */
    private static function latest(Registration $registration): Registration
    {
        $open = $registration->open === 1 ? $registration : Registration::query()->where('person_id', $registration->person_id)
            ->where('webinar_id', $registration->webinar_id)->whereNotNull('open')->first();
        $open ??= $registration;
        $open->loadMissing(['funnel.liveVersion', 'funnel.business', 'person']);

        return $open;
    }
}
