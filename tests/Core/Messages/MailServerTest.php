<?php

declare(strict_types=1);

namespace Tests\Core\Messages;

use Lantern\Core\Messages\MailWay;
use Lantern\Core\Messages\ServerLogin;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** By which way messages go, and to whom a password is told. */
final class MailServerTest extends TestCase
{
    #[TestWith([null, false, MailWay::Outbox])]
    #[TestWith([null, true, MailWay::File])]
    #[TestWith([MailWay::File, true, MailWay::File])]
    #[TestWith([MailWay::File, false, MailWay::Outbox])]
    #[TestWith([MailWay::Outbox, true, MailWay::Outbox])]
    #[TestWith([MailWay::Server, true, MailWay::Server])]
    #[TestWith([MailWay::Server, false, MailWay::Server])]
    public function test_what_was_chosen_holds_and_else_what_stands_in_the_file(?MailWay $chosen, bool $isInFile, MailWay $way): void
    {
        self::assertSame($way, MailWay::of($chosen, $isInFile));
    }

    #[TestWith(['smtp.example', 'imke', '', 'kept'])]
    #[TestWith(['SMTP.example', 'imke', '', 'kept'])]
    #[TestWith(['smtp.example', 'imke', 'new', 'new'])]
    #[TestWith(['other.example', 'imke', '', null])]
    #[TestWith(['smtp.example', 'Imke', '', null])]
    #[TestWith(['smtp.example', '', '', null])]
    #[TestWith(['other.example', 'imke', 'new', 'new'])]
    public function test_a_password_stays_with_the_server_and_the_name_for_which_it_was_typed(string $host, string $username, string $typed,
        ?string $password): void
    {
        self::assertSame($password, (new ServerLogin('smtp.example', 'imke', 'kept'))->typed($host, $username, $typed)->password);
    }
}
