<?php

declare(strict_types=1);

namespace App\Mail\Sending;

use Illuminate\Mail\MailManager;
use Lantern\Core\Messages\MailStatus;
use Symfony\Component\Mailer\Exception\InvalidArgumentException;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Exception\UnexpectedResponseException;
use Symfony\Component\Mime\Email;
use Symfony\Component\Mime\Exception\RfcComplianceException;

/** A real mail server. An answer of 5xx is final; all else may pass. */
final readonly class Smtp implements Provider
{
    /** @param  array<string, mixed>  $config  as the framework's mailers are configured */
    public function __construct(private MailManager $mail, private array $config)
    {
    }

    public function handOver(string $messageId, int $business, string $to, Email $email): void
    {
        $this->deliver($email);
    }

    /**
     * @return string what the server said to it, such as "250 2.0.0 Ok: queued"
     *
     * @throws TemporaryTrouble|PermanentTrouble
     */
    public function deliver(Email $email): string
    {
        try {
            $sent = $this->mail->createSymfonyTransport($this->config)->send($email);

            return self::lastAnswer($sent?->getDebug() ?? '');
        } catch (UnexpectedResponseException $e) {
            throw $e->getCode() >= 500 && $e->getCode() < 600
                ? new PermanentTrouble('The mail server refused this message: '.$e->getMessage(),
                    MailStatus::isBadAddress($e->getMessage(), $e->getCode()), $e)
                : new TemporaryTrouble('The mail server asks to try later: '.$e->getMessage(), previous: $e);
        } catch (InvalidArgumentException|RfcComplianceException $e) {
            throw new PermanentTrouble('This mail server cannot write to such an address: '.$e->getMessage(), previous: $e);
        } catch (TransportExceptionInterface $e) {
            throw new TemporaryTrouble(match (true) {
                str_contains($e->getMessage(), 'TLS') => 'The mail server offers no encryption, so nothing was sent to it.',
                str_contains($e->getMessage(), 'authenticate') => 'The mail server does not accept this name and password.',
                default => 'The mail server could not be reached.',
            }, previous: $e);
        }
    }

    /** The last line that the server said, of what was said on both sides. */
    private static function lastAnswer(string $debug): string
    {
        preg_match_all('/(?:^|\n)(?:\[[^\]]*\] )?< ([^\r\n]*)/', $debug, $lines);

        return trim((string) end($lines[1]));
    }
}
