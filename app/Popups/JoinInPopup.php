<?php

declare(strict_types=1);

namespace App\Popups;

use App\Forms\AfterSubmission;
use App\Forms\Confirmations;
use App\Forms\FormToken;
use App\Forms\PopupOrigin;
use App\Forms\Signup;
use App\Forms\SpamGuard;
use App\Forms\TakeSignup;
use App\Models\Submission;
use App\Models\Version;
use App\Records\RegisteredSessions;
use App\Serving\Browser;
use App\Serving\Source;
use App\Support\Ids;
use App\Support\Input;
use App\Webinars\Offered;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Journey\AfterForm;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Popups\PopupFactType;

/** Takes a form that was filled in in a pop-up, or in a form placed on another site. */
final readonly class JoinInPopup
{
    public function __construct(private TakeSignup $takeSignup)
    {
    }

    /** What came of it: errors by field, a message, a second step, thanks in its place, or where to go. */
    public function take(Request $request, PopupView $asked, LivePopup $live): Joined
    {
        $version = Version::query()->findOrFail($live->page->version_id);
        $plan = $version->plan();
        $form = $this->form($plan, $live, $request->input('form'));
        if ($form === null) {
            return Joined::said(404, Phrase::of('form.not_open'));
        }
        $step = $request->input('step') === '2' && $form->hasTwoSteps() ? 2 : 1;
        if ($step === 2 ? SpamGuard::isFloodOfMore((string) $request->ip())
            : SpamGuard::isFlood((string) $request->ip(), CarbonImmutable::now())) {
            return Joined::said(429, Phrase::of('form.flood'));
        }
        $carried = $asked->query();
        $answers = Answers::read($form, $request->request->all(), Source::parametersOf($form, $carried), $step);
        $token = FormToken::read($request->input('token'), $live->popup->id, CarbonImmutable::now());
        if ($token === null || SpamGuard::isProgram($request->input('website'), $token)) {
            return Joined::said(422, $token === null ? Phrase::of('form.old_short') : Phrase::of('form.fast'),
                FormToken::issue($live->popup->id));
        }
        if ($answers->errors !== []) {
            return Joined::wrong($answers->errors);
        }
        if ($step === 2) {
            SpamGuard::countMore((string) $request->ip());

            return $this->secondStep($request, $live, $plan, $form, $answers);
        }
        $page = ($asked->page === null ? null : $plan->page($asked->page->page_id)) ?? AfterForm::pageOf($plan, $form->id);
        if ($page === null) {
            return Joined::said(404, Phrase::of('form.not_open'));
        }
        $source = Source::read($asked->source) + ($asked->site === null ? []
            : ['ref' => mb_substr((string) parse_url($asked->site->origin, PHP_URL_HOST), 0, 100)]);

        return DB::transaction(function () use ($request, $asked, $live, $version, $plan, $form, $answers, $token, $page, $source): Joined {
            [$submission] = $this->takeSignup->take(new Signup($live->funnel, $version, $page, $form, $answers, $token->nonce,
                CarbonImmutable::now(), $asked->visitor, Browser::zone($request->input('zone')), $source, $request->ip(),
                $request->userAgent(), $asked->owner, new PopupOrigin($live->popup->id, $asked->site?->id,
                    $asked->site === null ? null : $asked->path), $this->session($request, $plan, $form)));
            if (! $asked->owner) {
                $shown = FactLog::shown($asked->view, $live->popup->id);
                FactLog::write($live, PopupFactType::Joined, $asked, $submission->person_id,
                    $shown[0] ?? null, (int) $asked->since->diffInMilliseconds(CarbonImmutable::now(), true), $shown[1] ?? '');
            }

            return $form->hasTwoSteps()
                ? Joined::firstStep($submission, "{$submission->id}.".Confirmations::seal("step|{$submission->id}"),
                    FormToken::issue($live->popup->id))
                : $this->after($submission, $live, $plan);
        });
    }

    /** The session that comes along with it: the one that was chosen, or the next one. */
    private function session(Request $request, Plan $plan, FormPlan $form): string
    {
        $webinar = $form->webinar === '' ? null : $plan->webinar($form->webinar);
        if ($webinar === null) {
            return '';
        }
        $now = CarbonImmutable::now();
        $zone = new DateTimeZone(Browser::zone($request->input('zone')) ?? $plan->sender->timeZone);
        $key = Input::text($request, 'webinar_session');

        return $key !== '' && RegisteredSessions::choose($webinar, $key, $zone, null, $now) !== null ? $key
            : Offered::to($webinar, $zone, $now)->choices[0]->session->key ?? '';
    }

    /** The form of a pop-up that was filled in. */
    public function form(Plan $plan, LivePopup $live, mixed $id): ?FormPlan
    {
        $forms = $live->popup->forms();
        $id = is_string($id) && $id !== '' ? $id : $forms[0] ?? '';

        return in_array($id, $forms, true) ? $plan->form($id) : null;
    }

    private function secondStep(Request $request, LivePopup $live, Plan $plan, FormPlan $form, Answers $answers): Joined
    {
        [$id, $seal] = [...explode('.', Input::text($request, 'joined'), 2), ''];
        $submission = Ids::is($id) && Confirmations::holds($seal, "step|{$id}")
            ? Submission::query()->with(['person', 'funnel'])->where('form_id', $form->id)->find($id) : null;
        if ($submission === null) {
            return Joined::said(422, Phrase::of('form.begin_again'),
                FormToken::issue($live->popup->id));
        }
        $this->takeSignup->more($submission, $form, $answers);

        return $this->after($submission, $live, $plan);
    }

    /** What whoever has joined gets to see. That an address is to be confirmed is said in the words of thanks, and by the email. */
    private function after(Submission $submission, LivePopup $live, Plan $plan): Joined
    {
        return $live->popup->after->kind === 'thanks' ? Joined::thanked($submission) : Joined::led($submission,
            AfterSubmission::url($submission, $plan));
    }
}
