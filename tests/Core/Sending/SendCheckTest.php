<?php

declare(strict_types=1);

namespace Tests\Core\Sending;

use DateTimeImmutable;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\SendVerdict;
use Lantern\Core\People\Subscription;
use Lantern\Core\Sending\Recipient;
use Lantern\Core\Sending\SendCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** May a message go to its reader, now? */
final class SendCheckTest extends TestCase
{
    private static function at(string $moment = '2026-12-01 12:00:00'): DateTimeImmutable
    {
        return new DateTimeImmutable("{$moment} UTC");
    }

    /** @return iterable<string, array{string, MessageKind, bool, Recipient|null, 4?: bool}> the verdict; can it be left, for whom, for a person? */
    public static function readers(): iterable
    {
        $sequence = MessageKind::Sequence;
        $gone = 'The person it was for is gone.';
        yield 'nobody' => [$gone, $sequence, true, null];
        yield 'a confirmation to nobody' => [$gone, MessageKind::Confirmation, false, null];
        yield 'to the owner' => ['go', MessageKind::Notice, true, null, false];
        $said = [Subscription::Unsubscribed->value => 'Unsubscribed before it was due.',
            Subscription::Unconfirmed->value => 'The address was never confirmed.',
            Subscription::Bounced->value => 'The address was never confirmed.',
            Subscription::Complained->value => 'The address was never confirmed.'];
        foreach (Subscription::cases() as $subscription) {
            yield "a sequence, {$subscription->value}" => [$said[$subscription->value] ?? 'go', $sequence, true,
                new Recipient($subscription)];
            yield "a broadcast, {$subscription->value}" => [$said[$subscription->value] ?? ($subscription === Subscription::Subscribed
                ? 'go' : 'Agreed only to what they asked for.'), MessageKind::Broadcast, true, new Recipient($subscription)];
            yield "a receipt, {$subscription->value}" => ['go', MessageKind::Receipt, false, new Recipient($subscription)];
        }
        foreach (['bounced' => 'This address refused an earlier message for good.',
            'complained' => 'Reported an earlier email as spam.'] as $how => $why) {
            yield "a sequence, to one who {$how}" => [$why, $sequence, true, new Recipient(suppressed: Subscription::from($how))];
            yield "a receipt, to one who {$how}" => [$why, MessageKind::Receipt, false,
                new Recipient(suppressed: Subscription::from($how))];
        }
        yield 'one who had left and came back' => ['go', $sequence, true, new Recipient(suppressed: Subscription::Unsubscribed)];
        yield 'opted out of it' => ['Chose not to get these any more.', $sequence, true, new Recipient(optedOut: true)];
        yield 'quiet until tonight' => ['2026-12-01 20:00', $sequence, true, new Recipient(quietUntil: self::at('2026-12-01 20:00'))];
        yield 'quiet until now' => ['go', $sequence, true, new Recipient(quietUntil: self::at())];
        yield 'quiet, and asked for by itself' => ['go', MessageKind::Confirmation, false,
            new Recipient(quietUntil: self::at('2026-12-01 20:00'))];
        yield 'quiet, and left meanwhile' => ['Unsubscribed before it was due.', $sequence, true,
            new Recipient(Subscription::Unsubscribed, quietUntil: self::at('2026-12-01 20:00'))];
        yield 'opted out, and lost for good' => ['Reported an earlier email as spam.', $sequence, true,
            new Recipient(suppressed: Subscription::Complained, optedOut: true)];
    }

    #[DataProvider('readers')]
    public function test_whether_it_goes(string $expected, MessageKind $kind, bool $leave, ?Recipient $recipient, bool $person = true): void
    {
        self::assertSame($expected, self::words(SendCheck::of($kind, $person, $leave, $recipient, self::at())));
    }

    public static function words(SendVerdict $verdict): string
    {
        return $verdict->cancel ?? $verdict->later?->format('Y-m-d H:i') ?? 'go';
    }
}
