<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\KindOfMessage;
use App\Models\Message;
use App\Support\Hosts;
use App\Support\RichText;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Sending\SequenceCheck;
use Lantern\Core\Webinars\Webinar;

/** To the owner: a question that was asked while a recording played, or that reminders of a session went out too late. */
final class RoomNoticeMessage extends KindOfMessage
{
    public function isForPerson(): bool
    {
        return false;
    }

    public function source(Message $message): ?EmailSource
    {
        $content = $message->content ?? [];
        $text = fn (string $key): string => is_string($content[$key] ?? null) ? $content[$key] : '';
        if ($text('question') !== '') {
            $row = DB::table('room_questions')->join('people', 'people.id', '=', 'room_questions.person_id')
                ->where('room_questions.id', $text('question'))->whereNull('people.erased_at')
                ->first(['words', 'second', 'people.id as person', 'email', 'first_name', 'last_name']);
            if ($row === null) {
                return null;
            }
            $name = trim("{$row->first_name} {$row->last_name}");
            $identity = self::plain($name === '' ? (string) $row->email : "{$name} ({$row->email})");
            $at = sprintf('%d:%02d', intdiv((int) $row->second, 60), (int) $row->second % 60);

            return self::email('A question in “'.$text('title').'”', "<p>{$identity} asked, {$at} into it:</p><blockquote>"
                .nl2br(self::plain((string) $row->words)).'</blockquote><p><a href="'.e(Hosts::studio()."/studio/people/{$row->person}")
                .'">Open this person</a></p>');
        }
        $webinar = $text('late') === '' ? null : $message->funnel?->liveVersion?->plan()->webinar($text('late'));

        return $webinar === null ? null : self::late($webinar, $text('session'), $message);
    }

    private static function late(Webinar $webinar, string $session, Message $message): ?EmailSource
    {
        $registered = DB::table('registrations')->where('webinar_id', $webinar->id)->where('session_key', $session)->select('person_id');
        $late = DB::table('messages')->where('funnel_id', $message->funnel_id)->where('trouble', SequenceCheck::TOO_LATE)
            ->whereIn('person_id', $registered)->whereNotNull('registration_id')->count();

        return $late === 0 ? null : self::email("Emails about “{$webinar->title}” came too late",
            '<p>'.($late === 1 ? 'One email' : number_format($late).' emails').' about a session of “'.self::plain($webinar->title)
            .'” could not go out in time, and were not sent any more. No emails were sent at that time; please check that the worker '
            .'is running (docs/running.md).</p>');
    }

    private static function email(string $subject, string $body): EmailSource
    {
        return new EmailSource(str_replace('{{', '{ {', $subject), RichText::email($body), Colour::of(EmailSource::ACCENT), tracked: false);
    }

    /** What people wrote holds no merge fields. */
    private static function plain(string $words): string
    {
        return str_replace('{{', '{ {', e($words));
    }
}
