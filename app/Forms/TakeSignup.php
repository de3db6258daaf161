<?php

declare(strict_types=1);

namespace App\Forms;

use App\Deadlines\Joining;
use App\Journey\Earlier;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Mail\Sending\Planner;
use App\Models\Person;
use App\Models\Registration;
use App\Models\Submission;
use App\People\Consent\Suppressions;
use App\People\Fields\OwnFields;
use App\Records\RegisteredSessions;
use App\Support\Instant;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\SignupCheck;
use Lantern\Core\Forms\SignupFacts;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\Journey;
use Lantern\Core\People\EmailAddress;
use Lantern\Core\People\FieldKind;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\SessionPick;
use LogicException;

/**
 * Takes a sign-up in: the person, the submission with its consent, and whatever follows, all in one transaction. What
 * follows is the core's decision. A form with double opt-in is kept as it was filled in; it changes nothing about
 * anybody who is known, and leads to nothing but the question, until the address is confirmed.
 */
final readonly class TakeSignup
{
    public function __construct(private Events $events, private Joining $joining, private Planner $planner,
        private Earlier $earlier)
    {
    }

    /** @return array{Submission, Decision} for a form sent twice, the first submission again and no effects */
    public function take(Signup $signup): array
    {
        $email = $signup->answers->email ?? throw new LogicException('Only answers without errors can be taken.');

        return DB::transaction(function () use ($signup, $email): array {
            if ($signup->visitor !== null) {
                // What they saw before they told who they are was seen by a stranger.
                $this->earlier->take($signup->visitor, $signup->at);
            }
            $journey = new Journey($signup->version->plan());
            // The same form with the same address is the same sign-up; with another address somebody went back and corrected it.
            $token = FormToken::key($signup->token, $email->key);
            $before = Submission::query()->where('token', $token)->first();
            if ($before !== null) {
                return [$before, new Decision($before->state === SubmissionState::Waiting ? null
                    : $journey->way($signup->page->id, Outcome::Joined))];
            }
            $known = Person::query()->where('business_id', $signup->funnel->business_id)->where('email_key', $email->key)->first();
            $meaning = SignupCheck::of($signup->form, $signup->answers, new SignupFacts($known !== null,
                $known?->unsubscribed_at !== null || Suppressions::why($signup->funnel->business_id, $email->display) === 'unsubscribed',
                $signup->proven?->has($email->key) ?? false));
            $person = $this->person($signup, $email, $known, $meaning->waits);
            $submission = Submission::query()->create(($signup->id === null ? [] : ['id' => $signup->id]) + [
                'token' => $token, 'funnel_id' => $signup->funnel->id, 'version_id' => $signup->version->id,
                'page_id' => $signup->page->id, 'form_id' => $signup->form->id, 'person_id' => $person->id,
                'answers' => $signup->answers->values, 'consent_words' => $signup->form->consent,
                'consented' => $meaning->consented, 'marketing' => $meaning->marketing,
                'marketing_words' => $signup->form->marketing === '' ? null : $signup->form->marketing,
                'ip' => $signup->ip, 'user_agent' => $signup->userAgent === null ? null : mb_substr($signup->userAgent, 0, 500),
                'source' => $signup->source === [] ? null : $signup->source, 'submitted_at' => $signup->at,
                'state' => $meaning->waits ? SubmissionState::Waiting : SubmissionState::Taken, 'visitor' => $signup->visitor,
                'session' => $signup->session === '' || $signup->form->webinar === '' ? null
                    : ['webinar' => $signup->form->webinar, 'key' => $signup->session,
                        'zone' => $signup->zone ?? $signup->funnel->business->timezone],
                'popup_id' => $signup->popped?->popup,
                'site_id' => $signup->popped?->site, 'site_path' => $signup->popped?->path,
            ]);
            $submission->setRelation('person', $person)->setRelation('funnel', $signup->funnel)->setRelation('version', $signup->version);

            return [$submission,
                $meaning->waits ? $this->events->take(NewEvent::ofSubmission(EventType::Asked, $submission, $signup->at, $signup->owner))
                : $this->complete($submission, $signup->form, $signup->at, $signup->owner, $meaning->theirs)];
        });
    }

    /** The address is confirmed: what was waited for follows. Confirming twice is confirming once. */
    public function confirmed(Submission $submission, DateTimeImmutable $at, ?string $ip, bool $owner): Decision
    {
        return DB::transaction(function () use ($submission, $at, $ip, $owner): Decision {
            $plan = $submission->version->plan();
            $form = $plan->form($submission->form_id) ?? throw new LogicException('A version that took a form has it.');
            if (Submission::query()->where('id', $submission->id)->where('state', SubmissionState::Waiting)
                ->update(['state' => SubmissionState::Taken, 'confirmed_at' => Instant::sql($at), 'confirmed_ip' => $ip]) === 0) {
                return new Decision((new Journey($plan))->way($submission->page_id, Outcome::Confirmed));
            }
            $submission->refresh();
            $submission->person->forceFill(['confirmed_at' => $submission->person->confirmed_at ?? $at])->save();
            $decision = $this->events->take(NewEvent::ofSubmission(EventType::Confirmed, $submission, $at, $owner));
            $this->complete($submission, $form, $at, $owner, true);

            return $decision;
        });
    }

    /** The second step of a form: its answers join those of the first. */
    public function more(Submission $submission, FormPlan $form, Answers $answers): void
    {
        DB::transaction(function () use ($submission, $form, $answers): void {
            $submission->forceFill(['answers' => $answers->values + $submission->answers])->save();
            if ($submission->state === SubmissionState::Taken) {
                $this->keep($submission->person, $form, $answers->values, $submission->confirmed_at !== null);
            }
        });
    }

    /**
     * @param  bool  $theirs  is it known to be the person's own doing: by a link in an email to them, or since nothing was known of
     *     the address before? Otherwise anybody may have typed it, and nothing that is known is changed.
     */
    private function complete(Submission $submission, FormPlan $form, DateTimeImmutable $at, bool $owner, bool $theirs): Decision
    {
        $person = $submission->person;
        $this->keep($person, $form, $submission->answers, $theirs,
            self::language($submission->version->plan(), $submission->page_id));
        // Joining again is agreeing again: somebody who had unsubscribed and comes back of their own accord is back.
        $person->forceFill(($theirs ? ['unsubscribed_at' => null, 'quiet_until' => null] : []) + ['pending' => false,
            'owner_try' => $person->owner_try && $owner,
            'marketing' => SignupCheck::marketing($form, $submission->marketing, $person->marketing, $person->wasRecentlyCreated,
                $person->pending, $theirs)])->save();
        if ($theirs) {
            Suppressions::cameBack($person->business_id, $person->email);
        }
        $event = NewEvent::ofSubmission(EventType::Joined, $submission, $at, $owner, $this->registered($submission, $theirs, $at));
        $started = array_map(fn (SequencePlan $s): string => $s->id, $submission->version->plan()->startedBy($event->inCore()));
        if ($theirs) {
            DB::table('opt_outs')->where('person_id', $person->id)->whereIn('what', ['broadcasts', ...$started])->delete();
        }
        if ($theirs && $submission->visitor !== null) {
            $this->joining->join($submission->visitor, $person->id, $at);
        }

        return $this->events->take($event);
    }

    /**
     * The session that was chosen in the form, as it can be had now. Whoever has one already keeps it, if it is not sure that it is
     * them who choose another one; they are written to instead.
     */
    private function registered(Submission $submission, bool $theirs, DateTimeImmutable $at): ?RegisteredSession
    {
        $chosen = $submission->session;
        $webinar = $chosen === null ? null : $submission->version->plan()->webinar($chosen['webinar']);
        if ($chosen === null || $webinar === null) {
            return null;
        }
        $before = Registration::query()->where('person_id', $submission->person_id)->where('webinar_id', $webinar->id)
            ->whereNotNull('open')->first();
        $here = $submission->visitor !== null && $before !== null && Submission::query()->whereKey($before->submission_id)
            ->where('visitor', $submission->visitor)->exists();
        if ($before !== null && ! SessionPick::mayMove(true, $theirs, $here)) {
            $this->planner->planAboutSession($before, 'again', $at);

            return null;
        }

        return RegisteredSessions::choose($webinar, $chosen['key'], new DateTimeZone($chosen['zone']), $submission->person_id, $at);
    }

    private static function language(Plan $plan, string $page): string
    {
        $found = $plan->page($page);

        return $found === null ? $plan->language : $plan->languageOf($found);
    }

    private function person(Signup $signup, EmailAddress $email, ?Person $person, bool $waits): Person
    {
        if ($person === null) {
            $values = $signup->answers->values;
            $why = Suppressions::why($signup->funnel->business_id, $email->display);

            return Person::query()->create([
                'business_id' => $signup->funnel->business_id, 'email' => $email->display, 'email_key' => $email->key,
                'timezone' => $signup->zone, 'language' => self::language($signup->version->plan(), $signup->page->id),
                'first_name' => $values[FieldKind::FirstName->value] ?? '', 'last_name' => $values[FieldKind::LastName->value] ?? '',
                'joined_at' => $signup->at, 'owner_try' => $signup->owner, 'pending' => $waits,
                'suppressed' => $why === 'unsubscribed' ? null : $why,
            ]);
        }
        if (! $waits && $person->timezone === null && $signup->zone !== null) {
            $person->forceFill(['timezone' => $signup->zone]);
        }

        return $person;
    }

    /**
     * What the answers say of the person.
     *
     * @param  array<string, string>  $values
     * @param  bool  $theirs  did they say it themselves? Otherwise only what is not known yet is taken from it.
     * @param  string  $language  of the page that they read; '' where it is not to be noted
     */
    private function keep(Person $person, FormPlan $form, array $values, bool $theirs, string $language = ''): void
    {
        $person->forceFill(array_filter([
            'first_name' => $values[FieldKind::FirstName->value] ?? '', 'last_name' => $values[FieldKind::LastName->value] ?? '',
            'phone' => $values[FieldKind::Phone->value] ?? '', 'language' => $language,
        ], fn (string $v, string $name): bool => SignupCheck::takesOver($v, (string) $person->getAttribute($name), $theirs),
            ARRAY_FILTER_USE_BOTH))
            ->save();
        foreach ($form->fields as $field) {
            $known = $theirs ? '' : (OwnFields::has($person->id, $field->key()) ? 'something' : '');
            if ($field->keep && SignupCheck::takesOver($values[$field->key()] ?? '', $known, $theirs)) {
                OwnFields::know($person->business_id, $field);
                OwnFields::set($person->id, $field->key(),
                    $field->kind === FieldKind::Choices ? explode("\n", $values[$field->key()]) : [$values[$field->key()]]);
            }
        }
    }
}
