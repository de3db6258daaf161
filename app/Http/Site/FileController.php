<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Files\Downloads;
use App\Files\FileAnswer;
use App\Files\FileLinks;
use App\Languages\SiteLanguage;
use App\Mail\Sending\Planner;
use App\Models\Delivery;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Submission;
use App\Models\Upload;
use App\Serving\Browser;
use App\Serving\PlainPage;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpFoundation\Response;

/** Hands a file over to whoever holds a link we signed, and offers a new link to whoever holds one that has run out. */
final readonly class FileController
{
    public function __construct(private Downloads $downloads, private Planner $planner, private SiteLanguage $language)
    {
    }

    public function download(Request $request, string $delivery, string $name): Response
    {
        $found = Delivery::query()->with(['leadMagnet', 'person', 'funnel.business', 'funnel.liveVersion'])->find($delivery);
        // Which language a funnel has is public; whose the file is, is not.
        $this->speak($found?->funnel);
        if (! $request->hasValidSignature(false)) {
            return PlainPage::linkOver($delivery)->response();
        }
        if ($found !== null) {
            $this->language->ofFunnel($found->person->language ?? $found->funnel->language, $found->funnel);
        }
        $upload = Upload::query()->find($found?->leadMagnet?->text('file'));
        if ($found === null || $upload === null || $found->revoked_at !== null) {
            return PlainPage::fileGone()->response();
        }

        return $this->send($request, $upload, $found);
    }

    /** The file that a form promised, for whoever filled it in. It says nothing of the person whose address was typed. */
    public function ofSubmission(Request $request, string $submission, string $leadMagnet, string $name): Response
    {
        $holds = FileLinks::holds($submission, $leadMagnet, $name, $request->query('until'), $request->query('seal'),
            CarbonImmutable::now());
        // Earlier releases had them signed by the framework.
        $found = $holds || $request->hasValidSignature(false) ? Submission::query()->find($submission) : null;
        if ($found === null) {
            return PlainPage::linkOver('')->response();
        }
        $this->speak($found->funnel);
        $part = DraftPart::query()->where('funnel_id', $found->funnel_id)->where('kind', LeadMagnet::kind())->find($leadMagnet);
        $upload = Upload::query()->find($part?->text('file'));
        $delivery = $found->state !== SubmissionState::Taken ? null : Delivery::query()->with(['funnel.business', 'funnel.liveVersion'])
            ->where('person_id', $found->person_id)->where('lead_magnet_id', $leadMagnet)->first();
        // What the owner took back afterwards is taken back here, too.
        if ($upload === null || ($delivery?->revoked_at !== null && $delivery->revoked_at >= $found->submitted_at)) {
            return PlainPage::fileGone()->response();
        }

        return $this->send($request, $upload, $delivery?->revoked_at === null ? $delivery : null);
    }

    private function speak(?Funnel $funnel): void
    {
        if ($funnel !== null) {
            $plan = $funnel->liveVersion?->plan();
            $this->language->is($plan->language ?? $funnel->language, $funnel->business, $plan?->phrases());
        }
    }

    private function send(Request $request, Upload $upload, ?Delivery $counted): Response
    {
        $response = FileAnswer::of($upload);
        if ($response === null) {
            return PlainPage::fileGone()->response();
        }
        if ($counted !== null && $request->isMethod('GET') && $this->isFromTheStart($request)) {
            $this->downloads->count($counted, CarbonImmutable::now(), Browser::id($request), Browser::isOwner($request));
        }

        return $response;
    }

    public function again(Request $request): Response
    {
        $typed = Input::text($request, 'email');
        try {
            $address = EmailAddress::of($typed);
        } catch (Invalid $e) {
            return PlainPage::badAddress(mb_substr($typed, 0, 300), $e->said ?? throw $e)->response();
        }
        // The answer is the same for everyone: whether an address is known is nobody's business.
        foreach (Person::query()->where('email_key', $address->key)->get() as $person) {
            $wanted = Input::text($request, 'delivery');
            $delivery = Delivery::query()->where('person_id', $person->id)->whereNull('revoked_at')
                ->orderByRaw('id = ? desc', [Ids::is($wanted) ? $wanted : ''])->latest('id')->first();
            if ($delivery !== null) {
                DB::transaction(fn () => $this->planner->planNewLink($person, $delivery->funnel_id));
            }
        }

        return PlainPage::linkOnItsWay()->response();
    }

    /** A download that is taken up again in the middle is one download. */
    private function isFromTheStart(Request $request): bool
    {
        $range = $request->headers->get('Range');

        return $range === null || preg_match('/^bytes=0-/', $range) === 1;
    }
}
