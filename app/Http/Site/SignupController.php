<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Signups\FormToken;
use App\Signups\Signup;
use App\Signups\TakeSignup;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Lantern\Core\Funnel\FormPlan;
use Lantern\Core\Page\Block;
use Lantern\Core\Page\BlockKind;
use Lantern\Core\People\Answers;
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
            return Notice::closed()->response();
        }
        $form = $this->form($live, $request->input('form'));
        if ($form === null) {
            return Notice::notHere()->response();
        }
        $limit = 'signups:'.$request->ip();
        if (RateLimiter::tooManyAttempts($limit, (int) config('lantern.signups.per_address'))) {
            return Notice::tooMany()->response();
        }
        $answers = Answers::read($form, $request->request->all());
        $typed = array_filter($request->request->all(), fn (mixed $v): bool => is_string($v) && mb_check_encoding($v, 'UTF-8') && mb_strlen($v) <= 6000);
        $token = FormToken::read($request->input('token'), $live->page->id);
        if ($token === null) {
            return $this->pages->of($live, $request, $typed, ['form' => $request->input('token') === 'elsewhere'
                ? 'Welcome. Your words have come along: please press the button once more, and it is done.' : 'This page was open for a long time. Your words are still here: please press the button once more.'], 422);
        }
        if ($answers->errors !== []) {
            return $this->pages->of($live, $request, $typed, $answers->errors, 422);
        }
        if ($request->input('website', '') !== '' || $token->age() < (float) config('lantern.signups.least_seconds')) {
            return $this->pages->of($live, $request, $typed, ['form' => 'That went very fast, as if a program had filled the form in. If you are a person, please press the button once more.'], 422);
        }
        RateLimiter::hit($limit, 600);
        $visitor = Visitor::id($request) ?? str_replace('-', '', (string) Str::uuid());
        [$submission, $decision] = $this->takeSignup->take(new Signup(
            $live->funnel, $live->version, $live->page, $form, $answers, $token->nonce, CarbonImmutable::now(), $visitor,
            Visitor::zone($request->input('zone')), PageResponse::readSource($request->input('source')),
            $request->ip(), $request->userAgent(), Visitor::isOwner($request),
        ));
        $way = $decision->way;
        $target = $way->toUrl ?? $live->funnel->url($live->version->plan()->page($way->toPage ?? '')->address ?? '');

        return redirect()->away($target, 303)
            ->withCookie(Cookie::make(PageResponse::JOINED, $submission->id, 60 * 24 * 30, '/'.$live->funnel->address, httpOnly: true, sameSite: 'lax'))
            ->withCookie(Cookie::make(Visitor::COOKIE, $visitor, 60 * 24 * 365, '/', httpOnly: false, sameSite: 'lax'));
    }

    /** The form that was sent, if it stands on this page. */
    private function form(LivePage $live, mixed $id): ?FormPlan
    {
        $onPage = array_map(fn (Block $b): string => $b->field('form'), $live->page->document->blocksOf(BlockKind::Form));
        $id = is_string($id) ? $id : ($onPage[0] ?? '');

        return in_array($id, $onPage, true) ? $live->version->plan()->form($id) : null;
    }
}
