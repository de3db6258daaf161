<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Events\Event;
use Lantern\Core\Events\EventType;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Forms\FormField;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\SignupCheck;
use Lantern\Core\Forms\SignupFacts;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Journey\AfterForm;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\FieldKind;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\People\Subscription;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\Replan;
use Lantern\Core\Sequences\Timing;
use Lantern\Core\Visits\PageAct;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\SessionPick;

/** Filling in forms: what one means is decided where live traffic asks. */
final readonly class SigningUp
{
    public function __construct(private Stage $stage, private Following $following, private Visiting $visiting)
    {
    }

    /** @return string|null why it cannot be filled in */
    public function join(Life $life, Choice $choice): ?string
    {
        $plan = $this->stage->plan;
        $form = $plan->form($choice->of);
        $page = $life->page;
        if ($form === null || $plan->page($page) === null) {
            return 'There is no such form on the page they look at.';
        }
        $popup = $choice->popup === '' ? null : $plan->popup($choice->popup);
        if ($choice->popup !== '' && ($popup === null || ! in_array($form->id, $popup->forms(), true)
            || ! Options::isShown($this->stage, $life, $popup))) {
            return 'This pop-up is not shown to them here.';
        }
        if ($choice->popup === '' && (! $this->visiting->may($life, PageAct::Form, $form->id) || $this->visiting->isOld($life))) {
            return null;
        }
        $typed = self::typed($form, $life->visitor);
        $first = Answers::read($form, $typed, $life->visitor->parameters);
        $second = $form->hasTwoSteps() ? Answers::read($form, $typed, $life->visitor->parameters, 2) : null;
        $wrong = array_keys($first->errors + ($second === null ? [] : $second->errors));
        if ($wrong !== []) {
            return 'The form cannot be filled in with what they answer to: '.implode(', ', $wrong).'.';
        }
        $meaning = SignupCheck::of($form, $first, new SignupFacts($life->known, $life->person->subscription === Subscription::Unsubscribed,
            $life->browser()->proven));
        $isNew = ! $life->known;
        if ($isNew) {
            $life->known = true;
            [$life->pending, $life->marketing] = [$meaning->waits, true];
            $life->person = $life->person->withFields(['email' => [$life->visitor->email], 'timezone' => [$life->visitor->zone]])
                ->activeAt($life->now, $life->now);
            $this->stands($life);
        }
        if ($choice->popup !== '') {
            $life->popped($choice->popup, PopupFactType::Shown);
        }
        $life->joined[$form->id] = $life->now;
        $life->use($life->browser()->withForm($page));
        $asked = new AskedForm($form->id, $page, $choice->popup, $this->session($life, $form, $choice),
            $first->values + ($second === null ? []
            : $second->values), $meaning->marketing, $life->device, $life->now);
        if ($meaning->waits) {
            $life->asked[] = $asked;
            $this->following->take($life, new Event(EventType::Asked, $life->now, $page, $form->id));
        } else {
            $this->complete($life, $form, $asked, $meaning->theirs, $isNew);
        }
        if ($choice->popup !== '') {
            $life->popped($choice->popup, PopupFactType::Joined);
        }
        if ($popup === null || $popup->after->kind !== 'thanks') {
            $this->visiting->onward($life, AfterForm::of($plan, $page, $form->id, $meaning->waits ? SubmissionState::Waiting
                : SubmissionState::Taken, $choice->popup === '' ? null : $choice->popup));
        }

        return null;
    }

    /** @return string|null why there is nothing to confirm */
    public function confirm(Life $life): ?string
    {
        $asked = $life->asked === [] ? null : $life->asked[count($life->asked) - 1];
        $form = $asked === null ? null : $this->stage->plan->form($asked->form);
        if ($asked === null || $form === null) {
            return 'Nobody has asked them to confirm their address.';
        }
        if ($life->now > $asked->at->modify("+{$this->stage->confirmHours} hours")) {
            $life->page = '';
            $life->tell(HappeningKind::Notice, '', 'They are told that the link to confirm has run out.', ['notice' => 'link']);

            return null;
        }
        array_pop($life->asked);
        $life->tell(HappeningKind::Confirmed, $form->id, 'They confirm their address.');
        $this->following->take($life, new Event(EventType::Confirmed, $life->now, $asked->page, $form->id));
        $this->complete($life, $form, $asked, true, false);
        $life->use($life->browser()->withForm($asked->page));
        $this->visiting->onward($life, AfterForm::confirmed($this->stage->plan, $asked->page));

        return null;
    }

    /** A device turns out to be theirs: what began in it began for them, and the earliest start holds. */
    public function joins(Life $life, int $device, bool $proven): void
    {
        $browser = $life->browsers[$device];
        $before = Following::known($life)->deadlines();
        foreach ($browser->facts as $id => $facts) {
            $life->facts[$id] = [...$life->facts[$id] ?? [], ...$facts];
        }
        $life->person = $life->person->having(...$browser->deeds);
        $life->putBrowser($device, $browser->joined($proven));
        $after = Following::known($life)->deadlines();
        foreach (array_keys($browser->facts) as $id) {
            if (($after[$id]->endsAt ?? null) != ($before[$id]->endsAt ?? null)) {
                $this->emailsFollow($life, (string) $id);
            }
        }
    }

    private function complete(Life $life, FormPlan $form, AskedForm $asked, bool $theirs, bool $isNew): void
    {
        $this->keep($life, $form, $asked->answers, $theirs);
        $life->marketing = SignupCheck::marketing($form, $asked->marketing, $life->marketing, $isNew, $life->pending, $theirs);
        $life->pending = false;
        if ($theirs || $life->person->subscription !== Subscription::Unsubscribed) {
            $this->stands($life);
        }
        $registered = $this->registered($life, $form, $asked, $theirs);
        if ($theirs) {
            $this->joins($life, $asked->device, false);
        }
        $life->tell(HappeningKind::Joined, $form->id, "They joined with “{$form->name}”.", array_filter(['page' => $asked->page,
            'popup' => $asked->popup]));
        $this->following->take($life, new Event(EventType::Joined, $life->now, $asked->page, $form->id,
            popup: $asked->popup === '' ? null : $asked->popup, registered: $registered));
        if ($registered !== null) {
            $life->use($life->browser()->withSeat($registered->webinar));
            $life->putBrowser($asked->device, $life->browsers[$asked->device]
                ->registering($registered->webinar));
        }
    }

    private function stands(Life $life): void
    {
        $life->person = $life->person->standing(self::standing($life));
    }

    /** How they stand to the list who have neither left nor been lost. */
    public static function standing(Life $life): Subscription
    {
        return match (true) {
            $life->pending => Subscription::Unconfirmed,
            $life->marketing => Subscription::Subscribed,
            default => Subscription::NoMarketing,
        };
    }

    /** The key of the session that is chosen: the first that is offered where nothing is said. */
    private function session(Life $life, FormPlan $form, Choice $choice): string
    {
        $webinar = $form->webinar === '' || $choice->session !== '' ? null : $this->stage->plan->webinar($form->webinar);

        return $webinar === null ? $choice->session
            : $webinar->sessions()->offered($life->now, $life->visitor->zone())[0]->session->key ?? '';
    }

    private function registered(Life $life, FormPlan $form, AskedForm $asked, bool $theirs): ?RegisteredSession
    {
        $webinar = $form->webinar === '' ? null : $this->stage->plan->webinar($form->webinar);
        if ($webinar === null) {
            return null;
        }
        $zone = $life->visitor->zone();
        $key = $asked->session;
        $has = ($life->seats[$webinar->id]->open ?? false);
        if ($has && ! SessionPick::mayMove(true, $theirs, in_array($webinar->id, $life->browsers[$asked->device]->registered, true))) {
            $life->tell(HappeningKind::Email, '', 'They keep the session they have, and are written to about it.', ['kind' => 'session']);

            return null;
        }

        return SessionPick::of($webinar, $key, $zone, [], [], $life->now);
    }

    /**
     * What the answers say of the person.
     *
     * @param  array<string, string>  $values
     */
    private function keep(Life $life, FormPlan $form, array $values, bool $theirs): void
    {
        foreach ($form->fields as $field) {
            $ofPerson = in_array($field->kind, [FieldKind::FirstName, FieldKind::LastName, FieldKind::Phone], true);
            $known = implode('', $life->person->values($field->key()));
            if (($ofPerson || $field->keep) && SignupCheck::takesOver($values[$field->key()] ?? '', $known, $theirs)) {
                $life->person = $life->person->withFields([$field->key() => $field->kind === FieldKind::Choices
                    ? explode("\n", $values[$field->key()]) : [$values[$field->key()]]]);
            }
        }
    }

    /** The emails that are told from a deadline follow it to another end. */
    private function emailsFollow(Life $life, string $deadline): void
    {
        foreach ([$this->stage->plan, ...$this->stage->others] as $plan) {
            foreach ($plan->sequences as $sequence) {
                $enrolment = $life->person->enrolments()[$sequence->id] ?? null;
                $emails = $enrolment === null || $enrolment->ended ? [] : array_values(array_filter($plan->as($sequence->id,
                    $enrolment->variant)->emailsOf($sequence->id), fn (EmailPlan $e): bool => $e->byDeadline()?->deadline === $deadline));
                if ($emails !== []) {
                    $replan = Replan::of(new Timing($sequence, $life->person->zone, $life->person->ownerZone), $emails,
                        self::messages($life, $emails), $enrolment->startedAt, $life->now, 0, $life->person->deadlines(),
                        $life->person->registrations());
                    $this->replanned($life, $replan, $sequence->id);
                }
            }
        }
    }

    private function replanned(Life $life, Replan $replan, string $sequence): void
    {
        foreach ($replan->plan as $email => $due) {
            $life->person = $life->person->withEmail(new PlannedEmail((string) $email, $sequence, $due));
        }
        foreach ($life->person->emails() as $email) {
            if ($email->state === MessageState::Waiting && isset($replan->move[$email->email])) {
                $life->person = $life->person->withEmailDue($email, $replan->move[$email->email]);
            }
        }
        $life->person = $life->person->withoutWaiting(fn (PlannedEmail $e): bool => in_array($e->email, $replan->cancel, true));
    }

    /**
     * @param  list<EmailPlan>  $emails
     * @return array<string, array{state: MessageState, due: \DateTimeImmutable}> what there is for them, by email
     */
    private static function messages(Life $life, array $emails): array
    {
        $messages = [];
        foreach ($life->person->emails() as $message) {
            if (array_filter($emails, fn (EmailPlan $e): bool => $e->id === $message->email) !== []) {
                $messages[$message->email] = ['state' => $message->state, 'due' => $message->state === MessageState::Waiting ? $message->due
                    : $life->now];
            }
        }

        return $messages;
    }

    /** @return array<string, string|list<string>> what they type into its fields: their own answers, and else something that fits */
    private static function typed(FormPlan $form, Visitor $visitor): array
    {
        $typed = ['consent' => 'yes', 'marketing' => ($visitor->answers['marketing'] ?? 'yes') === 'no' ? '' : 'yes'];
        foreach ($form->fields as $field) {
            $typed[$field->key()] = self::answer($field, $visitor);
        }

        return $typed;
    }

    /** @return string|list<string> */
    private static function answer(FormField $field, Visitor $visitor): string|array
    {
        $given = $visitor->answers[$field->key()] ?? null;

        return match ($field->kind) {
            FieldKind::Email => $visitor->email,
            FieldKind::FirstName => $visitor->firstName(),
            FieldKind::LastName => $given ?? ($visitor->lastName() === '' ? 'Sample' : $visitor->lastName()),
            FieldKind::Choices => $given === null ? array_slice($field->options, 0, 1) : explode("\n", $given),
            FieldKind::Choice => $given ?? $field->options[0] ?? '',
            FieldKind::Phone => $given ?? '+00 000 0000',
            FieldKind::Number => $given ?? '1',
            FieldKind::Date => $given ?? '1980-01-01',
            FieldKind::Consent => $given ?? 'yes',
            default => $given ?? 'Sample',
        };
    }
}
