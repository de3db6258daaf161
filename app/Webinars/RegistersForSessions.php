<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Journey\CarriesOut;
use App\Journey\EffectContext;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\Registration;
use App\Support\Instant;
use Lantern\Core\Events\EventType;
use Lantern\Core\Journey\Effects\Effect;
use Lantern\Core\Journey\Effects\RegisterForSession;
use Lantern\Core\Webinars\RegistrationState;
use LogicException;

/** A session is somebody's: the one they had before is theirs no more, and whoever waits for the place they leave gets it. */
final readonly class RegistersForSessions implements CarriesOut
{
    public function __construct(private Events $events, private Registering $registering)
    {
    }

    public function carryOut(Effect $effect, EffectContext $context): void
    {
        if (! $effect instanceof RegisterForSession) {
            return;
        }
        $registered = $effect->registered;
        $funnel = $context->funnel ?? throw new LogicException('A webinar belongs to a funnel.');
        $version = $context->version ?? throw new LogicException('A webinar belongs to a version.');
        $webinar = $version->plan()->webinar($registered->webinar) ?? throw new LogicException('A version that books a session has it.');
        $session = $registered->session;
        $values = ['session_key' => $session->key, 'starts_at' => Instant::sql($session->startsAt),
            'ends_at' => Instant::sql($session->endsAt),
            'zone' => $session->zone->getName(), 'state' => $registered->waiting ? RegistrationState::Waiting
                : RegistrationState::Registered,
            'chosen_at' => Instant::sql($registered->at), 'settle_at' => Instant::sql(Lengths::settleAt($webinar, $session))];
        $before = Registration::query()->where('person_id', $context->person->id)->where('webinar_id', $registered->webinar)
            ->whereNotNull('open')->first();
        if ($before === null) {
            Registration::query()->create($values + ['business_id' => $context->person->business_id, 'funnel_id' => $funnel->id,
                'version_id' => $version->id, 'webinar_id' => $registered->webinar, 'person_id' => $context->person->id,
                'submission_id' => $context->submission?->id, 'registered_at' => Instant::sql($registered->at),
                'owner' => $context->person->owner_try]);
        } else {
            $left = $before->session_key;
            $before->forceFill($values + ['version_id' => $version->id, 'number' => $before->number + 1,
                'submission_id' => $context->submission->id ?? $before->submission_id])->save();
            SessionMails::cancel($before, 'Is in another session now.', $context->at);
            if ($left !== $session->key) {
                $this->registering->fill($registered->webinar, $left, $context->at);
            }
        }
        if ($context->submission !== null) {
            // It came with a form that is recorded; the funnel that took it has decided already.
            $this->events->follow(new NewEvent(EventType::Registered, $funnel->business, $context->at, $funnel, $version,
                person: $context->person, webinar: $registered->webinar), $funnel->id);
        }
    }
}
