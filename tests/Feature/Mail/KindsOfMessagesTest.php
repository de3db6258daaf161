<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Emails\KindsOfMessages;
use App\Models\Message;
use Lantern\Core\Messages\MessageKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What each kind of message asks before it goes, as one table of all kinds. */
final class KindsOfMessagesTest extends TestCase
{
    /** Is it for a person; does it carry a link to unsubscribe; what one opts out of. */
    private const KINDS = [
        'sequence' => [true, true, 's1'],
        'broadcast' => [true, true, 'broadcasts'],
        'confirm' => [true, false, null],
        'new-link' => [true, true, null],
        'notice' => [false, true, null],
        'test' => [false, true, null],
        'receipt' => [true, false, null],
        'payment-trouble' => [true, false, null],
        'sale-notice' => [false, true, null],
        'session' => [true, false, null],
        'room-notice' => [false, true, null],
    ];

    /** @return iterable<string, array{MessageKind}> */
    public static function kinds(): iterable
    {
        foreach (MessageKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_what_a_kind_asks(MessageKind $kind): void
    {
        $message = new Message(['kind' => $kind, 'sequence_id' => 's1']);
        $class = app(KindsOfMessages::class)->kindOf($message);

        self::assertArrayHasKey($kind->value, self::KINDS, 'every kind is in the table');
        self::assertSame(self::KINDS[$kind->value], [$class->isForPerson(), $class->canBeLeft(), $class->optOut($message)]);
    }

    public function test_every_kind_has_a_class_of_its_own(): void
    {
        $classes = array_map(fn (MessageKind $kind): string => app(KindsOfMessages::class)->kindOf(new Message(['kind' => $kind]))::class,
            MessageKind::cases());

        self::assertSame($classes, array_values(array_unique($classes)));
    }
}
