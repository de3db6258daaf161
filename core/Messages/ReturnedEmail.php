<?php

declare(strict_types=1);

namespace Lantern\Core\Messages;

/**
 * An email that came back, as it arrived in a mailbox: a delivery status notification (RFC 3464), a complaint (RFC 5965), or one of those
 * mail servers that name who could not be reached in its head. Anything else, such as an answer from somebody on holiday, reports nothing.
 */
final class ReturnedEmail
{
    /** Deeper than this no report is nested, and no more parts has one. */
    private const DEEPEST = 5;

    private const MOST_PARTS = 60;

    /** @return list<DeliveryReport> */
    public static function reports(string $raw): array
    {
        $parts = [];
        self::collect($raw, $parts, 0);
        $messageId = '';
        foreach ($parts as $i => [$type, , $body]) {
            // The message that came back, or its head; not that of the report itself, which is the first.
            if ($i > 0 && in_array($type, ['message/rfc822', 'text/rfc822-headers', 'message/global', 'message/global-headers'], true)) {
                $messageId = $messageId ?: DeliveryReport::idIn(self::fields($body)['message-id'] ?? '');
            }
        }
        $reports = [];
        foreach ($parts as [$type, , $body]) {
            if ($type === 'message/delivery-status' || $type === 'message/global-delivery-status') {
                foreach (preg_split('/\n\s*\n/', $body) ?: [] as $group) {
                    $reports[] = DeliveryReport::ofRecipient(self::fields($group), $messageId);
                }
            } elseif ($type === 'message/feedback-report') {
                $fields = self::fields($body);
                // “not-spam” takes a complaint back; all other kinds are one.
                if (! in_array(strtolower($fields['feedback-type'] ?? ''), ['', 'not-spam'], true)) {
                    $reports[] = DeliveryReport::complaint(trim($fields['original-rcpt-to'] ?? '', " \t<>"), $messageId);
                }
            }
        }
        $failed = $parts[0][1]['x-failed-recipients'] ?? '';
        if ($reports === [] && $failed !== '') {
            $words = $parts[0][2];
            foreach (explode(',', $failed) as $address) {
                $reports[] = DeliveryReport::ofRecipient(['final-recipient' => $address, 'action' => 'failed',
                    'diagnostic-code' => preg_match('/\b5\d\d[ -][^\n]*/', $words, $m) === 1 ? $m[0] : ''],
                    $messageId ?: self::idAnywhere($raw));
            }
        }

        return array_values(array_filter($reports));
    }

    /**
     * @param  list<array{string, array<string, string>, string}>  $parts  type, head and body of each, the whole first
     */
    private static function collect(string $raw, array &$parts, int $depth): void
    {
        if (count($parts) >= self::MOST_PARTS) {
            return;
        }
        $raw = str_replace("\r\n", "\n", $raw);
        [$head, $body] = explode("\n\n", ltrim($raw, "\n"), 2) + [1 => ''];
        if (str_starts_with($raw, "\n")) {
            // A part without a head is plain text.
            [$head, $body] = ['', substr($raw, 1)];
        }
        $fields = self::fields($head);
        $type = strtolower(trim(explode(';', $fields['content-type'] ?? 'text/plain')[0]));
        $multipart = str_starts_with($type, 'multipart/')
            && preg_match('/;\s*boundary\s*=\s*(?:"([^"]+)"|([^\s;]+))/i', $fields['content-type'], $m) === 1;
        $parts[] = [$type, $fields, $multipart ? '' : self::decoded($body, $fields['content-transfer-encoding'] ?? '')];
        if (! $multipart || $depth >= self::DEEPEST) {
            return;
        }
        $boundary = preg_quote($m[1] !== '' ? $m[1] : $m[2], '/');
        $pieces = preg_split("/(?:^|\n)--{$boundary}(--)?[ \t]*(?=\n|$)/", $body) ?: [];
        foreach (array_slice($pieces, 1) as $piece) {
            if (trim($piece) !== '') {
                self::collect(substr($piece, 1), $parts, $depth + 1);
            }
        }
    }

    /** @return array<string, string> by name in small letters, lines that are folded joined; of several the first */
    private static function fields(string $head): array
    {
        $fields = [];
        foreach (explode("\n", (string) preg_replace('/\n[ \t]+/', ' ', str_replace("\r\n", "\n", $head))) as $line) {
            if (preg_match('/^([!-9;-~]+):\s*(.*)$/', $line, $m) === 1) {
                $fields[strtolower($m[1])] ??= trim($m[2]);
            }
        }

        return $fields;
    }

    private static function decoded(string $body, string $encoding): string
    {
        return match (strtolower(trim($encoding))) {
            'base64' => str_replace("\r\n", "\n", (string) base64_decode($body)),
            'quoted-printable' => str_replace("\r\n", "\n", quoted_printable_decode($body)),
            default => $body,
        };
    }

    private static function idAnywhere(string $raw): string
    {
        // The last one is that of the message that is quoted below the words of the server.
        return preg_match_all('/^Message-ID:\s*(<[^>\s]+>)/mi', $raw, $m) > 0 ? DeliveryReport::idIn((string) end($m[1])) : '';
    }
}
