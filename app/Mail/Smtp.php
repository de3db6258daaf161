<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\MailManager;
use Symfony\Component\Mailer\Exception\InvalidArgumentException;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Exception\UnexpectedResponseException;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Exception\RfcComplianceException;

/** A real mail server, as configured. An answer of 5xx is final; all else may pass. */
final readonly class Smtp implements Provider
{
    public function __construct(private MailManager $mail)
    {
    }

    public function handOver(string $messageId, string $to, Email $email): void
    {
        /** @var array<string, mixed> $config */
        $config = config('mail.mailers.smtp');
        try {
            $this->mail->createSymfonyTransport($config)->send($email);
        } catch (UnexpectedResponseException $e) {
            throw $e->getCode() >= 500 && $e->getCode() < 600
                ? new PermanentTrouble('The mail server refused this message: '.$e->getMessage(), previous: $e)
                : new TemporaryTrouble('The mail server asks to try later: '.$e->getMessage(), previous: $e);
        } catch (InvalidArgumentException|RfcComplianceException $e) {
            throw new PermanentTrouble('This mail server cannot write to such an address: '.$e->getMessage(), previous: $e);
        } catch (TransportExceptionInterface $e) {
            throw new TemporaryTrouble('The mail server could not be reached.', previous: $e);
        }
    }
}
