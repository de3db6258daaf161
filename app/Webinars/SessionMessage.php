<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Languages\Voices;
use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Mail\Emails\SaidBody;
use App\Models\Message;
use App\Models\Registration;
use App\Records\RegisteredSessions;
use App\Records\SessionFields;
use Lantern\Core\Page\Look\Colour;

/** What somebody must know of the session they registered for. It was asked for by registering, and carries no link to leave by. */
final class SessionMessage extends KindOfMessage
{
    public function canBeLeft(): bool
    {
        return false;
    }

    public function source(Message $message): ?EmailSource
    {
        $id = $message->content['registration'] ?? '';
        $registration = Registration::query()->with(['funnel.liveVersion', 'person.business'])->find(is_string($id) ? $id : '');
        $webinar = $registration === null ? null : RegisteredSessions::webinar($registration);
        if ($registration === null || $webinar === null) {
            return null;
        }
        $what = $message->content['what'] ?? '';
        $voice = Voices::ofMessage($message);
        $language = $voice->language()->tag;
        $fields = SessionFields::of($registration, $language);
        $values = ['webinar' => $webinar->title, 'moment' => $fields['session_time']];
        $body = (new SaidBody($voice))->hello();
        $subject = match ($what) {
            'place' => 'mail.session.place.subject',
            'moved' => 'mail.session.moved.subject',
            'cancelled' => 'mail.session.cancelled.subject',
            'again' => 'mail.session.again.subject',
            default => null,
        };
        if ($subject === null) {
            return null;
        }
        match ($what) {
            'place' => $body->say('mail.session.place.words', $values)->link('mail.session.calendar', '{{calendar_link}}')
                ->link('mail.session.room', '{{room_link}}')->say('mail.session.place.cannot', [], '{{change_link}}'),
            'moved' => $body->say('mail.session.moved.words', $values)->link('mail.session.moved.calendar', '{{calendar_link}}')
                ->link('mail.session.room', '{{room_link}}')->say('mail.session.moved.cannot', [], '{{change_link}}'),
            'cancelled' => $body->say('mail.session.cancelled.words', $values)->link('mail.session.choose', '{{change_link}}')
                ->link('mail.session.cancelled.calendar', '{{calendar_link}}'),
            default => $body->say('mail.session.again.words', $values)->link('mail.session.room', '{{room_link}}')
                ->link('mail.session.choose', '{{change_link}}'),
        };

        return new EmailSource(str_replace('{{', '{ {', $voice->say($subject, $values)), $body->done(),
            $registration->funnel->liveVersion?->plan()->look()->accent ?? Colour::of(EmailSource::ACCENT), $fields, tracked: false,
            language: $language, webinar: $webinar->id);
    }
}
