<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/** What a mail server says of a message, by RFC 3463 and RFC 5321: is it the address of its reader that is refused, or the message? */
final class MailStatus
{
    /** Of the addresses in 5.1.x, those that are the sender's own. */
    private const SENDERS = ['7', '8'];

    /**
     * @param  string  $words  the answer, such as "550 5.1.1 No such user here", or a status alone, such as "5.1.1"
     * @param  int  $code  of RFC 5321, where it is known apart from the words
     */
    public static function isBadAddress(string $words, int $code = 0): bool
    {
        // 5.0.0 says that something is wrong and not what, and so does 5.5.0: the words may know more.
        preg_match_all('/\b5\.(\d{1,3})\.(\d{1,3})\b/', $words, $found, PREG_SET_ORDER);
        foreach ($found as [, $subject, $detail]) {
            if ($subject !== '0') {
                return match ($subject) {
                    '1' => ! in_array($detail, self::SENDERS, true),
                    // A mailbox that takes no messages any more, and a place that cannot be found.
                    '2' => $detail === '1',
                    '4' => $detail === '4',
                    default => false,
                };
            }
        }
        if ($code === 0 && preg_match('/(?:^|[;:>]\s*)(5\d\d)[\s-]/', $words, $m) === 1) {
            $code = (int) $m[1];
        }

        return $found === [] && in_array($code, [550, 551, 553], true);
    }
}
