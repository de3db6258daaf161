<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Models\Message;
use Lantern\Core\Emails\RecipientName;
use Lantern\Core\People\EmailAddress;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Header\Headers;

/** A message as its reader will see it. */
final readonly class WrittenEmail
{
    public function __construct(
        public string $subject,
        public string $html,
        public string $text,
        public string $unsubscribeUrl = '',
    ) {
    }

    public function mime(Message $message): Email
    {
        $business = $message->business;
        $email = (new Email)
            ->setHeaders(new Headers(new SubjectHeader($this->subject)))
            ->from(new Address($business->sender_address, self::senderName($business->sender_name)))
            ->to(new Address(EmailAddress::of($message->to_address)->forEnvelope(),
                RecipientName::of((string) $message->person?->fullName())))
            ->text($this->text)
            ->html($this->html);
        $host = parse_url($business->site()->origin, PHP_URL_HOST);
        $email->getHeaders()->addIdHeader('Message-ID', $message->id.'@'.(is_string($host) ? $host : 'localhost'));
        if ($this->unsubscribeUrl !== '') {
            // One-click unsubscribe as RFC 8058 describes it.
            $email->getHeaders()->addTextHeader('List-Unsubscribe', '<'.$this->unsubscribeUrl.'>');
            $email->getHeaders()->addTextHeader('List-Unsubscribe-Post', 'List-Unsubscribe=One-Click');
        }

        return $email;
    }

    /**
     * A name that itself looks like an encoded word of RFC 2047 (`=?utf-8?Q?x?=`) is encoded here, since the library would hand it over
     * as it stands, and its reader would see what it stands for.
     */
    private static function senderName(string $name): string
    {
        if (! str_contains($name, '=?')) {
            return $name;
        }
        $words = [];
        for ($at = 0; $at < strlen($name); $at += strlen($part)) {
            // Of 75 letters that a word may have, 12 are its frame; whole letters of the name alone go into one.
            $part = mb_strcut($name, $at, 45);
            $words[] = '=?utf-8?B?'.base64_encode($part).'?=';
        }

        return implode(' ', $words);
    }
}
