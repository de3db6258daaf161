<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Message;
use App\Models\Registration;
use App\Records\RegisteredSessions;
use App\Records\SessionFields;
use App\Support\RichText;
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
        $title = str_replace('{{', '{ {', e($webinar->title));
        [$subject, $body] = match ($message->content['what'] ?? '') {
            'place' => ["You have a place: {$webinar->title}", "<p>A place has become free, and it is yours: “{$title}”, "
                .'{{session_time}}.</p>'
                .'<p><a href="{{calendar_link}}">Put it in your calendar</a></p><p><a href="{{room_link}}">Your link into the room</a></p>'
                .'<p>You cannot come after all? <a href="{{change_link}}">Choose another time, or give your place to somebody '
                    .'else</a>.</p>'],
            'moved' => ["Another time: {$webinar->title}", "<p>“{$title}” is at another time now: {{session_time}}. Your place is "
                .'kept.</p>'
                .'<p><a href="{{calendar_link}}">Bring your calendar up to date</a></p><p><a href="{{room_link}}">Your link into the '
                    .'room</a>'
                .'</p><p>That does not suit you? <a href="{{change_link}}">Choose another time</a>.</p>'],
            'cancelled' => ["Cancelled: {$webinar->title}", "<p>I am sorry: “{$title}” does not take place at the time you had "
                .'chosen.</p>'
                .'<p><a href="{{change_link}}">Choose another time</a></p><p><a href="{{calendar_link}}">Take it out of your '
                    .'calendar</a></p>'],
            'again' => ["You have a place already: {$webinar->title}", '<p>Somebody, and we hope it was you, has just registered you for '
                ."“{$title}”. You have a place there already: {{session_time}}.</p><p><a href=\"{{room_link}}\">Your link into the "
                    .'room</a></p>'
                .'<p><a href="{{change_link}}">Choose another time</a></p>'],
            default => ['', ''],
        };

        return $body === '' ? null : new EmailSource(str_replace('{{', '{ {', $subject), RichText::email('<p>Hello '
            .'{{first_name|there}},</p>'
            .$body), $registration->funnel->liveVersion?->plan()->look()->accent ?? Colour::of(EmailSource::ACCENT),
            SessionFields::of($registration, $registration->funnel->liveVersion?->plan()->language() ?? 'en'), tracked: false,
            webinar: $webinar->id);
    }
}
