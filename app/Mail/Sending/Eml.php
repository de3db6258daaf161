<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use App\Mail\Emails\SubjectHeader;
use App\Models\Message;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\People\EmailAddress;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Header\Headers;

/** Messages as mail programs read them: one as EML (RFC 5322), many as mbox (RFC 4155, lines that begin with From quoted). */
final class Eml
{
    public static function of(Message $message): string
    {
        $mime = DB::table('outbox')->where('message_id', $message->id)->value('mime');
        if (is_string($mime)) {
            return $mime;
        }
        // Sent through another provider, which keeps what it sent: written anew from what was kept of it here.
        $email = (new Email)->setHeaders(new Headers(new SubjectHeader($message->subject)))
            ->from(new Address($message->business->sender_address, $message->business->sender_name))
            ->to(EmailAddress::of($message->to_address)->forEnvelope())
            ->date($message->sent_at ?? $message->due_at)->text((string) $message->text)
            ->html((string) $message->html);
        $email->getHeaders()->addIdHeader('Message-ID', $message->id.'@localhost');

        return $email->toString();
    }

    /** A file name: the day, and something of the subject. */
    public static function name(Message $message): string
    {
        $words = trim((string) preg_replace('/[^\p{L}\p{N}]+/u', '-',
            mb_substr($message->subject === '' ? $message->name : $message->subject, 0, 40)), '-');

        return ($message->sent_at ?? $message->due_at)->format('Y-m-d').'-'.($words === '' ? 'message' : $words).'-'
            .substr($message->id, -6).'.eml';
    }

    public static function mbox(Message $message): string
    {
        $at = $message->sent_at ?? CarbonImmutable::now();
        $body = str_replace("\r\n", "\n", self::of($message));

        return 'From '.$message->business->sender_address.' '.$at->utc()->format('D M d H:i:s Y')."\n"
            .preg_replace('/^(>*From )/m', '>$1', $body)."\n\n";
    }
}
