<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\AfterSubmission;
use App\Forms\FormToken;
use App\Forms\Signup;
use App\Forms\SpamGuard;
use App\Forms\TakeSignup;
use App\Models\Funnel;
use App\Models\Submission;
use App\Models\Version;
use App\Serving\Arrival;
use App\Serving\Browser;
use App\Serving\LivePage;
use App\Serving\PageResponse;
use App\Serving\PlainPage;
use App\Serving\Source;
use App\Serving\Visit;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Symfony\Component\HttpFoundation\Response;

/** Takes a filled-in form and sends its visitor on. */
final readonly class SignupController
{
    public function __construct(private TakeSignup $takeSignup, private PageResponse $pages, private SessionRegistrations $registrations)
    {
    }

    public function __invoke(Request $request, LivePage $live): Response
    {
        $version = Version::query()->findOrFail($live->page->version_id);
        $page = $version->plan()->pageAs($live->page->page_id, $live->page->variant);
        $form = $page === null ? null : self::form($version->plan(), $page, $request->input('form'));
        if ($page === null || $form === null) {
            return PlainPage::notHere()->response();
        }
        $step = $request->input('step') === '2' && $form->hasTwoSteps() ? 2 : 1;
        if ($step === 2 ? SpamGuard::isFloodOfMore((string) $request->ip())
            : SpamGuard::isFlood((string) $request->ip(), CarbonImmutable::now())) {
            return PlainPage::tooMany()->response();
        }
        $answers = Answers::read($form, $request->request->all(), Source::parametersOf($form, $request->input('source')), $step);
        $typed = Source::typed($request->request->all());
        $again = fn (array $errors): Response => $this->pages->answer(Arrival::again($live, $request)->with($typed, $errors), 422);
        $token = FormToken::read($request->input('token'), $page->id, CarbonImmutable::now());
        if ($token === null) {
            return $again(['form' => $request->input('token') === 'elsewhere'
                ? Phrase::of('form.elsewhere') : Phrase::of('form.old')]);
        }
        $visitor = Browser::id($request) ?? str_replace('-', '', (string) Str::uuid());
        $zone = Browser::zone($request->input('zone')) ?? Browser::zone(SiteCookies::read($request, SiteCookie::Zone));
        $reader = $request->input('book') === null || $form->webinar === '' ? null : Visit::readerOf($request, $live->funnel);
        if ($reader !== null) {
            return $this->registrations->byReader($live, $version, $page, $form, $reader, $request, $zone) ?? $again(
                ['webinar_session' => Phrase::of('session.gone')]);
        }
        $session = $step === 2 ? '' : $this->registrations->chosen($version, $form, $request, $zone);
        $errors = $answers->errors + ($session === null ? ['webinar_session' => Phrase::of('session.gone')] : []);
        if ($errors !== []) {
            return $again($errors);
        }
        if (SpamGuard::isProgram($request->input('website'), $token)) {
            return $again(['form' => Phrase::of('form.fast')]);
        }
        if ($step === 2) {
            SpamGuard::countMore((string) $request->ip());

            return $this->secondStep($request, $live->funnel, $version, $page, $form, $answers);
        }
        [$submission] = $this->takeSignup->take(new Signup(
            $live->funnel, $version, $page, $form, $answers, $token->nonce, CarbonImmutable::now(), $visitor,
            $zone, Source::read($request->input('source')),
            $request->ip(), $request->userAgent(), Browser::isOwner($request), session: $session ?? '',
            proven: Visit::readerOf($request, $live->funnel),
        ));

        return redirect()->away($form->hasTwoSteps() ? $live->funnel->url($page->address).'?step=2'
            : AfterSubmission::url($submission, $version->plan()), 303)
            ->withCookie(SiteCookies::give(SiteCookie::Joined, $submission->id, $live->funnel->site()))
            ->withCookie(SiteCookies::give(SiteCookie::Visitor, $visitor))
            // A place from before does not stand in the way of the one that was just chosen.
            ->withCookie(SiteCookies::forget(SiteCookie::Registration, $live->funnel->site()));
    }

    /** What is asked after the address joins what was said before, for whoever has just said that in this browser. */
    private function secondStep(
        Request $request,
        Funnel $funnel,
        Version $version,
        PagePlan $page,
        FormPlan $form,
        Answers $answers,
    ): Response {
        $id = SiteCookies::read($request, SiteCookie::Joined);
        $submission = is_string($id) ? Submission::query()->with(['person', 'funnel'])->where('id', $id)->where('funnel_id', $funnel->id)
            ->where('form_id', $form->id)->first() : null;
        if ($submission === null) {
            return redirect()->away($funnel->url($page->address), 303);
        }
        $this->takeSignup->more($submission, $form, $answers);

        return redirect()->away(AfterSubmission::url($submission, $version->plan()), 303);
    }

    /** The form that was sent, if it stands on this page. */
    private static function form(Plan $plan, PagePlan $page, mixed $id): ?FormPlan
    {
        $onPage = array_map(fn (Block $b): string => $b->field('form'), $page->document->blocksOf(BlockKind::Form));
        $id = is_string($id) ? $id : ($onPage[0] ?? '');

        return in_array($id, $onPage, true) ? $plan->form($id) : null;
    }
}
