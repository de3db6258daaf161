<?php

declare(strict_types=1);

namespace App\Mail\Sending;

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
                ? new PermanentTrouble('The mail server refused this message: '.$e->getMessage(), self::isAddress($e), $e)
                : new TemporaryTrouble('The mail server asks to try later: '.$e->getMessage(), previous: $e);
        } catch (InvalidArgumentException|RfcComplianceException $e) {
            throw new PermanentTrouble('This mail server cannot write to such an address: '.$e->getMessage(), previous: $e);
        } catch (TransportExceptionInterface $e) {
            throw new TemporaryTrouble(str_contains($e->getMessage(), 'TLS')
                ? 'The mail server offers no encryption, so nothing was sent to it: MAIL_ALLOW_UNENCRYPTED would let it be.'
                : 'The mail server could not be reached.', previous: $e);
        }
    }

    /** Is it the address that is refused, and not the message? RFC 3463 says so with 5.1.x; without that, the codes of RFC 5321 do. */
    private static function isAddress(UnexpectedResponseException $e): bool
    {
        return preg_match('/\b5\.(\d{1,3})\.\d{1,3}\b/', $e->getMessage(), $m) === 1 ? $m[1] === '1'
            : in_array($e->getCode(), [550, 551, 553], true);
    }
}
