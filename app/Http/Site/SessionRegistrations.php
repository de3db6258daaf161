<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Version;
use App\People\Proof\Proven;
use App\Records\RegisteredSessions;
use App\Records\RegistrationLinks;
use App\Serving\LivePage;
use App\Support\Input;
use App\Support\SiteAddress;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use App\Webinars\Offered;
use App\Webinars\Registering;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\Request;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Plan\PagePlan;
use Symfony\Component\HttpFoundation\Response;

/** The session that comes along with a form, or is chosen with one click by somebody we know from an email. */
final readonly class SessionRegistrations
{
    public function __construct(private Registering $registering)
    {
    }

    /** @return string|null the key of the session; '' where there is none to choose, nothing for one that cannot be had */
    public function chosen(Version $version, FormPlan $form, Request $request, ?string $zone): ?string
    {
        $webinar = $form->webinar === '' ? null : $version->plan()->webinar($form->webinar);
        if ($webinar === null) {
            return '';
        }
        $now = CarbonImmutable::now();
        $theirs = new DateTimeZone($zone ?? $version->funnel->business->timezone);
        $key = Input::text($request, 'webinar_session');
        if ($key === '') {
            // A form that stands elsewhere shows none: it takes the next one.
            return Offered::to($webinar, $theirs, $now)->choices[0]->session->key ?? '';
        }

        return RegisteredSessions::choose($webinar, $key, $theirs, null, $now) === null ? null : $key;
    }

    /** @return Response|null nothing where the session cannot be had any more */
    public function byReader(LivePage $live, Version $version, PagePlan $page, FormPlan $form, Proven $reader, Request $request,
        ?string $zone): ?Response
    {
        $key = Input::text($request, 'webinar_session');
        $registered = $this->registering->choose($reader->person, $live->funnel, $form->webinar, $key, $zone === null ? null
            : new DateTimeZone($zone),
            CarbonImmutable::now());
        $registration = $registered === null ? null : RegisteredSessions::find($reader->person->id, $form->webinar);
        if ($registration === null) {
            return null;
        }
        $way = (new Journey($version->plan()))->way($page->id, Outcome::Joined);

        return redirect()->away($way->toUrl ?? $live->funnel->url($version->plan()->page($way->toPage ?? '')->address ?? ''), 303)
            ->withCookie(self::seat($registration->funnel->site(), RegistrationLinks::seat($registration)));
    }

    public static function seat(SiteAddress $funnel, string $seat): \Symfony\Component\HttpFoundation\Cookie
    {
        return SiteCookies::give(SiteCookie::Registration, $seat, $funnel);
    }
}
