<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Models\Message;
use App\Support\Hosts;
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
            ->from(new Address($business->sender_address, $business->sender_name))
            ->to(new Address(EmailAddress::of($message->to_address)->forEnvelope(),
                RecipientName::of((string) $message->person?->fullName())))
            ->text($this->text)
            ->html($this->html);
        $host = parse_url(Hosts::site(), PHP_URL_HOST);
        $email->getHeaders()->addIdHeader('Message-ID', $message->id.'@'.(is_string($host) ? $host : 'localhost'));
        if ($this->unsubscribeUrl !== '') {
            // One-click unsubscribe as RFC 8058 describes it.
            $email->getHeaders()->addTextHeader('List-Unsubscribe', '<'.$this->unsubscribeUrl.'>');
            $email->getHeaders()->addTextHeader('List-Unsubscribe-Post', 'List-Unsubscribe=One-Click');
        }

        return $email;
    }
}
