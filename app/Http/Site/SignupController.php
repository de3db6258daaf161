<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\Confirmations;
use App\Forms\FormToken;
use App\Forms\Signup;
use App\Forms\SpamGuard;
use App\Forms\TakeSignup;
use App\Models\Submission;
use App\Serving\Browser;
use App\Serving\LivePage;
use App\Serving\PageResponse;
use App\Serving\PlainPage;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\Way;
use Symfony\Component\HttpFoundation\Response;

/** Takes a filled-in form and sends its visitor on. */
final readonly class SignupController
{
    public function __construct(private TakeSignup $takeSignup, private PageResponse $pages)
    {
    }

    public function __invoke(Request $request, string $funnel, string $page = ''): Response
    {
        $live = LivePage::at($request, $funnel, $page);
        if (! $live instanceof LivePage) {
            return $live;
        }
        if ($live->closed) {
            return PlainPage::closed()->response();
        }
        $form = $this->form($live, $request->input('form'));
        if ($form === null) {
            return PlainPage::notHere()->response();
        }
        if (SpamGuard::isFlood($request)) {
            return PlainPage::tooMany()->response();
        }
        $step = $request->input('step') === '2' && $form->hasTwoSteps() ? 2 : 1;
        $answers = Answers::read($form, $request->request->all(), PageResponse::parametersOf($form, $request->input('source')), $step);
        $typed = PageResponse::typed($request->request->all());
        $token = FormToken::read($request->input('token'), $live->page->id);
        if ($token === null) {
            return $this->pages->of($live, $request, $typed, ['form' => $request->input('token') === 'elsewhere'
                ? 'Welcome. Your words have come along: please press the button once more, and it is done.' : 'This page was open for a long time. Your words are still here: please press the button once more.'], 422);
        }
        if ($answers->errors !== []) {
            return $this->pages->of($live, $request, $typed, $answers->errors, 422);
        }
        if (SpamGuard::isProgram($request, $token)) {
            return $this->pages->of($live, $request, $typed, ['form' => 'That went very fast, as if a program had filled the form in. If you are a person, please press the button once more.'], 422);
        }
        SpamGuard::count($request);
        if ($step === 2) {
            return $this->secondStep($request, $live, $form, $answers);
        }
        $visitor = Browser::id($request) ?? str_replace('-', '', (string) Str::uuid());
        [$submission, $decision] = $this->takeSignup->take(new Signup(
            $live->funnel, $live->version, $live->page, $form, $answers, $token->nonce, CarbonImmutable::now(), $visitor,
            Browser::zone($request->input('zone')), PageResponse::readSource($request->input('source')),
            $request->ip(), $request->userAgent(), Browser::isOwner($request),
        ));

        return redirect()->away($form->hasTwoSteps() ? $live->funnel->url($live->page->address).'?step=2' : $this->onward($live, $submission, $decision->way), 303)
            ->withCookie(Cookie::make(PageResponse::JOINED, $submission->id, 60 * 24 * 30, '/'.$live->funnel->address, httpOnly: true, sameSite: 'lax'))
            ->withCookie(Cookie::make(Browser::COOKIE, $visitor, 60 * 24 * 365, '/', httpOnly: false, sameSite: 'lax'));
    }

    /** What is asked after the address joins what was said before, for whoever has just said that in this browser. */
    private function secondStep(Request $request, LivePage $live, FormPlan $form, Answers $answers): Response
    {
        $id = $request->cookie(PageResponse::JOINED);
        $submission = is_string($id) ? Submission::query()->with(['person', 'funnel'])->where('id', $id)->where('funnel_id', $live->funnel->id)->where('form_id', $form->id)->first() : null;
        if ($submission === null) {
            return redirect()->away($live->funnel->url($live->page->address), 303);
        }
        $this->takeSignup->more($submission, $form, $answers);

        return redirect()->away($this->onward($live, $submission, (new Journey($live->version->plan()))->way($live->page->id, Outcome::Joined)), 303);
    }

    /** Where a visitor goes who has filled in all there is. */
    private function onward(LivePage $live, Submission $submission, ?Way $way): string
    {
        return $submission->state === 'waiting' ? Confirmations::waitingLink($submission)
            : $way->toUrl ?? $live->funnel->url($live->version->plan()->page($way->toPage ?? '')->address ?? '');
    }

    /** The form that was sent, if it stands on this page. */
    private function form(LivePage $live, mixed $id): ?FormPlan
    {
        $onPage = array_map(fn (Block $b): string => $b->field('form'), $live->page->document->blocksOf(BlockKind::Form));
        $id = is_string($id) ? $id : ($onPage[0] ?? '');

        return in_array($id, $onPage, true) ? $live->version->plan()->form($id) : null;
    }
}
