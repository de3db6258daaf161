<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Emails\KindsOfMessages;
use App\Models\Message;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\People\Subscription;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What each kind of message asks before it goes, as one table. */
final class KindsOfMessagesTest extends TestCase
{
    /** @return iterable<string, array{MessageKind, bool, bool, string|null, string|null, string|null}> */
    public static function kinds(): iterable
    {
        $never = 'The address was never confirmed.';
        // Is it for a person; does it carry a link to unsubscribe; what one opts out of; who has only asked; who never confirmed.
        yield 'a sequence' => [MessageKind::Sequence, true, true, 's1', null, $never];
        yield 'a broadcast' => [MessageKind::Broadcast, true, true, 'broadcasts', 'Agreed only to what they asked for.', $never];
        yield 'a confirmation' => [MessageKind::Confirmation, true, false, null, null, $never];
        yield 'a new link' => [MessageKind::NewLink, true, true, null, null, $never];
        yield 'a notice' => [MessageKind::Notice, false, true, null, null, $never];
        yield 'a test' => [MessageKind::Test, false, true, null, null, $never];
    }

    #[DataProvider('kinds')]
    public function test_what_a_kind_asks(
        MessageKind $kind,
        bool $person,
        bool $leave,
        ?string $optOut,
        ?string $asked,
        ?string $unconfirmed,
    ): void {
        $message = new Message(['kind' => $kind, 'sequence_id' => 's1']);
        $class = app(KindsOfMessages::class)->of($message);

        self::assertSame([$person, $leave, $optOut], [$class->isForPerson(), $class->canBeLeft(), $class->optOut($message)]);
        self::assertNull($class->refuses(Subscription::Subscribed));
        self::assertSame('Unsubscribed before it was due.', $class->refuses(Subscription::Unsubscribed));
        self::assertSame([$asked, $unconfirmed], [$class->refuses(Subscription::NoMarketing), $class->refuses(Subscription::Unconfirmed)]);
    }

    public function test_every_kind_has_a_class_of_its_own(): void
    {
        $classes = array_map(fn (MessageKind $kind): string => app(KindsOfMessages::class)->of(new Message(['kind' => $kind]))::class,
            MessageKind::cases());

        self::assertSame($classes, array_values(array_unique($classes)));
    }
}
