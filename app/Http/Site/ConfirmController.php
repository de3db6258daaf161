<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\AfterSubmission;
use App\Forms\Confirmations;
use App\Forms\TakeSignup;
use App\Languages\ConfirmSaid;
use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Confirmation;
use App\Models\Funnel;
use App\Models\Submission;
use App\Rendering\LookStyle;
use App\Rendering\PageAssets;
use App\Rendering\SiteAssets;
use App\Serving\AtHome;
use App\Serving\Browser;
use App\Serving\PlainPage;
use App\Support\AnswerKind;
use App\Support\Ids;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\View;
use Lantern\Core\Emails\MergeFields;
use Lantern\Core\Forms\ConfirmWords;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Journey\AfterForm;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Look\Paint;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Support\Validity;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/**
 * Double opt-in as its visitor sees it: the page that says to look in the inbox, and the link in the mail. Opening the
 * link only asks, since mail programs open links by themselves; pressing the button confirms.
 */
final readonly class ConfirmController
{
    public function __construct(private Confirmations $confirmations, private TakeSignup $takeSignup)
    {
    }

    public function wait(Request $request, string $submission, string $seal): AnyResponse
    {
        $found = $this->waiting($submission, $seal);
        if ($found === null) {
            return PlainPage::notHere()->response();
        }
        AtHome::orThere($request, $found->funnel->site());
        if ($found->state !== SubmissionState::Waiting) {
            return redirect()->away($found->funnel->url());
        }

        return $this->page($found, [
            'address' => $found->answers['email'] ?? '', 'again' => Confirmations::waitingLink($found),
        ] + $this->words($found));
    }

    public function again(string $submission, string $seal): AnyResponse
    {
        $found = $this->waiting($submission, $seal);
        if ($found === null) {
            return PlainPage::notHere()->response();
        }
        $sent = $this->confirmations->again($found);

        return $this->page($found,
            ['address' => $found->answers['email'] ?? '', 'again' => $sent ? null : Confirmations::waitingLink($found),
                'said' => self::voice($found)->say($sent ? 'confirm.sent_again' : 'confirm.just_sent')]
            + $this->words($found));
    }

    public function ask(Request $request, string $confirmation, string $seal): AnyResponse
    {
        $found = $this->confirmation($confirmation, $seal);
        if ($found === null) {
            return PlainPage::notHere()->response();
        }
        $submission = $found->submission;
        AtHome::orThere($request, $submission->funnel->site());
        if ($submission->state !== SubmissionState::Waiting) {
            return $this->page($submission, ['title' => self::voice($submission)->say('confirm.done.title'),
                'words' => self::voice($submission)->say('confirm.done.words'), 'onward' => $submission->funnel->url()]);
        }
        if ($found->used_at !== null || ! Validity::until($found->expires_at, CarbonImmutable::now())) {
            return $this->page($submission, ['title' => self::voice($submission)->say('confirm.over.title'),
                'words' => self::voice($submission)->say('confirm.over.words'),
                'again' => Confirmations::waitingLink($submission)]);
        }

        return $this->page($submission,
            ['title' => self::voice($submission)->say('confirm.ask.title'), 'words' => self::voice($submission)->say('confirm.ask.words'),
                'address' => $submission->answers['email'] ?? '', 'confirm' => Confirmations::link($found),
                'button' => $this->confirmWords($submission)->button]);
    }

    public function confirm(Request $request, string $confirmation, string $seal): AnyResponse
    {
        $found = $this->confirmation($confirmation, $seal);
        if ($found === null) {
            return PlainPage::notHere()->response();
        }
        $decision = DB::transaction(function () use ($request, $found): ?Decision {
            // Once: whoever turns it from unused to used has used it. If what follows fails, it is as it was.
            $used = Confirmation::query()->where('id', $found->id)->whereNull('used_at')->where('expires_at', '>=', CarbonImmutable::now())
                ->update(['used_at' => CarbonImmutable::now()]);

            return $used === 0 || $found->submission->state !== SubmissionState::Waiting ? null
                : $this->takeSignup->confirmed($found->submission, CarbonImmutable::now(), $request->ip(), Browser::isOwner($request));
        });
        if ($decision === null) {
            return $this->ask($request, $confirmation, $seal);
        }
        $funnel = $found->submission->funnel;
        $plan = $found->submission->version->plan();
        $target = AfterSubmission::to(AfterForm::confirmed($plan, $found->submission->page_id), $plan, $found->submission);

        return redirect()->away($target, 303)
            ->withCookie(SiteCookies::give(SiteCookie::Joined, $found->submission_id, $funnel->site()));
    }

    private function waiting(string $submission, string $seal): ?Submission
    {
        return Ids::is($submission) && Confirmations::holds($seal, "wait|{$submission}")
            ? Submission::query()->with(['funnel.business', 'version', 'person'])->where('id', $submission)->first() : null;
    }

    private function confirmation(string $id, string $seal): ?Confirmation
    {
        return Ids::is($id) && Confirmations::holds($seal, $id)
            ? Confirmation::query()->with(['submission.funnel.business', 'submission.version', 'submission.person.business'])
                ->where('id', $id)->first() : null;
    }

    private function confirmWords(Submission $submission): ConfirmWords
    {
        return ConfirmSaid::whole($submission->version->plan()->form($submission->form_id)->confirm ?? new ConfirmWords,
            self::voice($submission));
    }

    /** In the language of the page on which the form was filled in. */
    private static function voice(Submission $submission): SiteVoice
    {
        $plan = $submission->version->plan();
        $page = $plan->page($submission->page_id);

        return Voices::of($page === null ? $plan->language : $plan->languageOf($page), $submission->funnel->business, $plan->phrases());
    }

    /** @return array{title: string, words: string} */
    private function words(Submission $submission): array
    {
        $words = $this->confirmWords($submission);
        $fill = fn (string $text): string => MergeFields::fill($text,
            $submission->answers + $submission->version->plan()->fields + ['business' => $submission->funnel->business->name],
            fn (string $s): string => $s);

        return ['title' => $fill($words->title), 'words' => $fill($words->text)];
    }

    /** @param  array<string, mixed>  $more */
    private function page(Submission $submission, array $more): Response
    {
        $look = self::plan($submission->funnel, $submission)->look();

        return new Response(View::make('site.confirm',
            $more + ['look' => $look, 'say' => self::voice($submission),
                'head' => SiteAssets::head(PageAssets::ofLook($look, self::voice($submission)->language()->tag), false),
                'style' => LookStyle::whole($look, Paint::of($look, Background::paper()))])->render(), 200,
            AnswerKind::Page->headers() + ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }

    private static function plan(Funnel $funnel, Submission $submission): Plan
    {
        return ($funnel->liveVersion ?? $submission->version)->plan();
    }
}
