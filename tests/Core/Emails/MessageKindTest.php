<?php

declare(strict_types=1);

namespace Tests\Core\Emails;

use Lantern\Core\Messages\MessageKind;
use PHPUnit\Framework\TestCase;

final class MessageKindTest extends TestCase
{
    public function test_what_somebody_waits_for_goes_first_and_may_use_the_whole_minute(): void
    {
        self::assertSame([
            100 => [MessageKind::Confirmation, MessageKind::NewLink, MessageKind::Notice, MessageKind::Test, MessageKind::Receipt,
                MessageKind::PaymentTrouble, MessageKind::SaleNotice, MessageKind::Session, MessageKind::RoomNotice],
            90 => [MessageKind::Sequence],
            80 => [MessageKind::Broadcast],
        ], MessageKind::byShare());
        foreach (MessageKind::byShare() as $share => $kinds) {
            foreach ($kinds as $kind) {
                self::assertSame($share, $kind->share());
            }
        }
    }
}
