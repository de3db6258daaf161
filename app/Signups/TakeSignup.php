<?php

declare(strict_types=1);

namespace App\Signups;

use App\Mail\Planner;
use App\Models\Delivery;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Models\Tag;
use App\Results\Recorder;
use App\Support\Instant;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Funnel\FieldKind;
use Lantern\Core\Funnel\Outcome;
use Lantern\Core\Journey\AddTag;
use Lantern\Core\Journey\Decision;
use Lantern\Core\Journey\DeliverFile;
use Lantern\Core\Journey\Event;
use Lantern\Core\Journey\EventType;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Journey\SendEmail;
use Lantern\Core\Journey\Visitor;
use Lantern\Core\People\EmailAddress;
use LogicException;

/**
 * Takes a sign-up in: the person, the submission with its consent, the tag, the right to the file, the planned
 * emails and the event, all in one transaction. What follows from joining is the core's decision.
 */
final readonly class TakeSignup
{
    public function __construct(private Recorder $recorder, private Planner $planner)
    {
    }

    /** @return array{Submission, Decision} for a form sent twice, the first submission again and no effects */
    public function take(Signup $signup): array
    {
        $email = $signup->answers->email ?? throw new LogicException('Only answers without errors can be taken.');

        return DB::transaction(function () use ($signup, $email): array {
            $event = new Event(EventType::Joined, $signup->at, $signup->page->id, $signup->form->id);
            $before = Submission::query()->where('token', $signup->token)->first();
            if ($before !== null) {
                return [$before, new Decision($signup->version->plan()->way($signup->page->id, Outcome::Joined))];
            }
            $person = $this->person($signup, $email);
            $decision = (new Journey($signup->version->plan()))->decide($this->facts($person), $event);
            $submission = Submission::query()->create([
                'token' => $signup->token, 'funnel_id' => $signup->funnel->id, 'version_id' => $signup->version->id,
                'page_id' => $signup->page->id, 'form_id' => $signup->form->id, 'person_id' => $person->id,
                'answers' => $signup->answers->values, 'consent_words' => $signup->form->consent,
                // Words under a button are agreed to by pressing it; words beside a box by ticking it.
                'consented' => $signup->form->consent !== '' && ($signup->answers->consented || ! $signup->form->consentRequired),
                'ip' => $signup->ip, 'user_agent' => $signup->userAgent === null ? null : mb_substr($signup->userAgent, 0, 500),
                'source' => $signup->source === [] ? null : $signup->source, 'submitted_at' => $signup->at,
            ]);
            if ($signup->visitor !== null) {
                DB::table('visitor_person')->upsert(
                    ['visitor' => $signup->visitor, 'person_id' => $person->id, 'joined_at' => Instant::sql($signup->at)], ['visitor'], ['person_id']);
            }
            $this->recorder->record(EventType::Joined, $signup->funnel->business, $signup->funnel->id, $signup->page->id, $signup->at,
                $signup->version->id, $signup->visitor, $person->id, $signup->source['utm_source'] ?? null, $signup->owner,
                ['submission' => $submission->id]);
            $this->perform($signup, $person, $decision);

            return [$submission, $decision];
        });
    }

    private function person(Signup $signup, EmailAddress $email): Person
    {
        $values = $signup->answers->values;
        $given = array_filter([
            'first_name' => $values[FieldKind::FirstName->value] ?? '',
            'last_name' => $values[FieldKind::LastName->value] ?? '',
            'phone' => $values[FieldKind::Phone->value] ?? '',
            'timezone' => $signup->zone ?? '',
        ], fn (string $v): bool => $v !== '');
        $person = Person::query()->where('business_id', $signup->funnel->business_id)->where('email_key', $email->key)->first();
        if ($person === null) {
            return Person::query()->create($given + [
                'business_id' => $signup->funnel->business_id, 'email' => $email->display, 'email_key' => $email->key,
                'joined_at' => $signup->at, 'owner_try' => $signup->owner,
            ]);
        }
        // Joining again is agreeing again: somebody who had unsubscribed and comes back of their own accord is back.
        $person->forceFill($given + ['unsubscribed_at' => null, 'owner_try' => $person->owner_try && $signup->owner])->save();

        return $person;
    }

    private function facts(Person $person): Visitor
    {
        return new Visitor(
            new DateTimeZone($person->timezone ?? $person->business->timezone),
            array_values(array_map(strval(...), Message::query()->where('person_id', $person->id)->whereNotNull('email_id')->pluck('email_id')->all())),
            array_values(array_map(strval(...), $person->tags()->pluck('name')->all())),
        );
    }

    private function perform(Signup $signup, Person $person, Decision $decision): void
    {
        foreach ($decision->effects as $effect) {
            match (true) {
                $effect instanceof AddTag => $this->tag($signup, $person, $effect->tag),
                $effect instanceof DeliverFile => Delivery::query()->firstOrCreate(
                    ['person_id' => $person->id, 'lead_magnet_id' => $effect->leadMagnet], ['funnel_id' => $signup->funnel->id]),
                $effect instanceof SendEmail => $this->planner->planSequenceEmail($signup->funnel, $signup->version, $person, $effect),
                default => throw new LogicException('Joining does not lead to '.$effect::class.'.'),
            };
        }
    }

    private function tag(Signup $signup, Person $person, string $name): void
    {
        $tag = Tag::query()->firstOrCreate(['business_id' => $person->business_id, 'name_key' => mb_strtolower($name)], ['name' => $name]);
        DB::table('person_tag')->insertOrIgnore(['person_id' => $person->id, 'tag_id' => $tag->id,
            'funnel_id' => $signup->funnel->id, 'tagged_at' => Instant::sql($signup->at)]);
    }
}
