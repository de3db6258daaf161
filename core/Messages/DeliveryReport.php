<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** One thing that came back of a message: by an email of a mail server (RFC 3464, RFC 5965), or told by a provider's call. */
final readonly class DeliveryReport
{
    public const MOST_WORDS = 500;

    /**
     * @param  string  $address  whose it was, as the report writes it; '' where it does not say
     * @param  string  $messageId  the id in our Message-ID; '' where it is not known
     */
    public function __construct(public ReportKind $kind, public string $address, public string $messageId, public string $why)
    {
    }

    /**
     * From the fields of one recipient in a delivery status notification.
     *
     * @param  array<string, string>  $fields  by name in small letters
     * @return self|null null where nobody is named
     */
    public static function ofRecipient(array $fields, string $messageId): ?self
    {
        $address = self::typed($fields['original-recipient'] ?? '') ?: self::typed($fields['final-recipient'] ?? '');
        if ($address === '') {
            return null;
        }
        $status = trim($fields['status'] ?? '');
        $said = self::typed($fields['diagnostic-code'] ?? '');
        $why = trim("{$status} {$said}");
        $failed = strtolower(trim($fields['action'] ?? '')) === 'failed';

        return new self(match (true) {
            ! $failed => ReportKind::Passing,
            // Where the other server gave no status, its own writes 5.0.0: what was said then knows more.
            MailStatus::isBadAddress($status === '5.0.0' && $said !== '' ? $said : $why) => ReportKind::Bounced,
            default => ReportKind::Failed,
        }, $address, $messageId, self::short($why === '' ? 'It did not arrive.' : $why));
    }

    public static function complaint(string $address, string $messageId): self
    {
        return new self(ReportKind::Complained, $address, $messageId, 'Reported as spam by its reader.');
    }

    /**
     * As a provider's call tells it: `{"event": "bounced", "email": …, "message": …, "why": …}`.
     *
     * @throws Invalid unless it says what happened, and to whom or to which message
     */
    public static function fromShape(Shape $shape): self
    {
        $kind = $shape->choice('event', ReportKind::class);
        $address = trim($shape->text('email', 320, ''));
        $message = $shape->text('message', 200, '');
        if ($address === '' && $message === '') {
            throw Invalid::at($shape->path('email'), 'Whose email, or which message? One of “email” and “message” is needed.');
        }

        return new self($kind, $address, self::idIn($message), self::short($shape->text('why', 2000, '') ?: match ($kind) {
            ReportKind::Complained => 'Reported as spam by its reader.',
            default => 'It did not arrive.',
        }));
    }

    /** The id in a Message-ID of ours, `<id@host>`, or the id alone; '' for any other. */
    public static function idIn(string $messageId): string
    {
        return preg_match('/^<?([0-9a-z]{26})(?:@[^>\s]*)?>?$/D', trim($messageId), $m) === 1 ? $m[1] : '';
    }

    /** What stands behind the type in "rfc822; robin@example.com". */
    private static function typed(string $value): string
    {
        return trim(str_contains($value, ';') ? substr($value, (int) strpos($value, ';') + 1) : $value, " \t<>");
    }

    private static function short(string $words): string
    {
        return mb_strimwidth((string) preg_replace('/\s+/u', ' ', mb_scrub(trim($words))), 0, self::MOST_WORDS, '…');
    }
}
