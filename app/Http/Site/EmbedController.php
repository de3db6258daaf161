<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\AfterSubmission;
use App\Forms\Confirmations;
use App\Forms\FormToken;
use App\Forms\Signup;
use App\Forms\SpamGuard;
use App\Forms\TakeSignup;
use App\Languages\SiteLanguage;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Submission;
use App\Models\Version;
use App\Rendering\LookStyle;
use App\Rendering\PlainView;
use App\Rendering\SiteAssets;
use App\Rendering\Slots;
use App\Serving\AtHome;
use App\Serving\Browser;
use App\Serving\PlainPage;
use App\Serving\Source;
use App\Support\AnswerKind;
use App\Support\Ids;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Paint;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Support\Validity;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/**
 * A form on an owner's other web sites. The script puts it where its tag stands, in a style scope of its own, and sends
 * what is filled in across origins, without cookies. It is the live form: whatever is published changes it everywhere.
 */
final readonly class EmbedController
{
    public function __construct(private TakeSignup $takeSignup, private SessionRegistrations $registrations,
        private SiteLanguage $language)
    {
    }

    public function script(string $form): Response
    {
        $headers = ['Content-Type' => 'text/javascript; charset=utf-8', 'Cache-Control' => 'public, max-age=300']
            + AnswerKind::Embed->headers();
        $live = $this->live($form);
        if ($live === null) {
            return new Response("console.info('This form is not open at the moment.');\n", 200, $headers);
        }
        [$funnel, $version, $page, $plan] = $live;
        $voice = $this->language->is($version->plan()->languageOf($page), $funnel->business, $version->plan()->phrases());
        $look = $version->plan()->look();
        $html = Slots::fill(View::make('site.embed',
            ['form' => $plan, 'view' => new PlainView($voice), 'style' => LookStyle::whole($look, Paint::of($look, Background::paper()))])
            ->render(), [], []);
        $given = json_encode(['html' => $html, 'css' => SiteAssets::css(['base']), 'url' => url("/e/{$plan->id}"),
            'button' => $plan->button, 'close' => $voice->say('form.close'), 'name' => $plan->name,
            'trouble' => $voice->say('form.trouble')],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_HEX_TAG);

        return new Response("(function(lantern){\n".SiteAssets::text('resources/site/embed.ts')."\n})({$given});\n", 200, $headers);
    }

    public function token(string $form): JsonResponse
    {
        $live = $this->live($form);

        return $live === null ? new JsonResponse(['message' => $this->language->voice()->say('form.not_open')], 404,
            AnswerKind::Embed->headers())
            : new JsonResponse(['token' => FormToken::issue($live[2]->id)], 200,
                AnswerKind::Embed->headers() + ['Cache-Control' => 'no-store']);
    }

    public function preflight(): Response
    {
        return new Response('', 204, AnswerKind::Embed->headers() + ['Access-Control-Max-Age' => '86400']);
    }

    public function submit(Request $request, string $form): AnyResponse
    {
        $live = $this->live($form);
        if ($live === null) {
            return new JsonResponse(['message' => $this->language->voice()->say('form.not_open')], 404, AnswerKind::Embed->headers());
        }
        [$funnel, $version, $page, $plan] = $live;
        $voice = $this->language->is($version->plan()->languageOf($page), $funnel->business, $version->plan()->phrases());
        if (SpamGuard::isFlood((string) $request->ip(), CarbonImmutable::now())) {
            return new JsonResponse(['message' => $voice->say('form.flood')], 429,
                AnswerKind::Embed->headers());
        }
        // Both steps at once: there is no page to come back to.
        $source = $request->input('source');
        [$first, $second] = array_map(fn (int $step): Answers => Answers::read($plan, $request->request->all(),
            Source::parametersOf($plan, $source), $step), [1, 2]);
        $token = FormToken::read($request->input('token'), $page->id, CarbonImmutable::now());
        if ($token === null || SpamGuard::isProgram($request->input('website'), $token)) {
            return new JsonResponse(['message' => $voice->say($token === null ? 'form.old_short' : 'form.fast'),
                'token' => FormToken::issue($page->id)], 422, AnswerKind::Embed->headers());
        }
        if ($first->errors + $second->errors !== []) {
            return new JsonResponse(['errors' => array_map($voice->say(...), $first->errors + $second->errors)], 422,
                AnswerKind::Embed->headers());
        }
        [$submission] = $this->takeSignup
            ->take(new Signup($funnel, $version, $page, $plan, $first, $token->nonce, CarbonImmutable::now(), null,
                Browser::zone($request->input('zone')),
                Source::read($source)
                    + ['ref' => mb_substr((string) parse_url((string) $request->headers->get('Origin'), PHP_URL_HOST), 0, 100)],
                $request->ip(), $request->userAgent(), false, session: $this->registrations->chosen($version, $plan, $request,
                    Browser::zone($request->input('zone'))) ?? ''));
        if ($plan->hasTwoSteps()) {
            $this->takeSignup->more($submission->load(['person', 'funnel']), $plan, $second);
        }

        return new JsonResponse($plan->done !== '' && ! $plan->doubleOptIn ? ['done' => $plan->done]
            : ['go' => self::doneLink($submission)], 200, AnswerKind::Embed->headers());
    }

    /** Back on our own site, where the browser can be given what the form's own page would have given it. */
    public function done(Request $request, string $submission, string $seal): AnyResponse
    {
        $found = Ids::is($submission) && Confirmations::holds($seal, "done|{$submission}")
            ? Submission::query()->with(['funnel', 'version'])->where('id', $submission)->first() : null;
        if ($found === null || ! Validity::since($found->submitted_at, 3600, CarbonImmutable::now())) {
            return PlainPage::notHere()->response();
        }
        AtHome::orThere($request, $found->funnel->site());
        $asks = $found->version->plan()->form($found->form_id)->doubleOptIn ?? false;
        if ($asks && $found->state === SubmissionState::Waiting) {
            return redirect()->away(Confirmations::waitingLink($found), 303);
        }

        // Where a pop-up leads elsewhere than its form does, it is led there.
        return redirect()->away(AfterSubmission::url($found, $found->version->plan()), 303)
            ->withCookie(SiteCookies::give(SiteCookie::Joined, $found->id, $found->funnel->site()));
    }

    public static function doneLink(Submission $submission): string
    {
        return $submission->funnel->site()->to("/e/done/{$submission->id}/".Confirmations::seal("done|{$submission->id}"));
    }

    /**
     * @return array{Funnel, Version, PagePlan, FormPlan}|null the live form, and the page it stands on; the entry page if it stands on none
     */
    private function live(string $id): ?array
    {
        $form = Ids::is($id) ? DraftPart::query()->with(['funnel.liveVersion', 'funnel.business'])->where('kind', FormPlan::kind())
            ->where('id', $id)->first() : null;
        $funnel = $form?->funnel;
        $version = $funnel?->state === FunnelState::Live && $funnel->archived_at === null ? $funnel->liveVersion : null;
        $plan = $version?->plan();
        $live = $plan?->form($id);
        if ($funnel === null || $version === null || $plan === null || $live === null) {
            return null;
        }
        $on = array_values(array_filter($plan->pages,
            fn (PagePlan $p): bool => array_filter($p->document->blocksOf(BlockKind::Form),
                fn (Block $b): bool => $b->field('form') === $id) !== []));
        $page = $on[0] ?? $plan->entry();

        return $page === null ? null : [$funnel, $version, $page, $live];
    }
}
