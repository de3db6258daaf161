<?php

declare(strict_types=1);

namespace Tests\Core\Messages;

use Lantern\Core\Messages\DeliveryReport;
use Lantern\Core\Messages\MailStatus;
use Lantern\Core\Messages\ReturnedEmail;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ReturnedEmailTest extends TestCase
{
    private const ID = '01kbq3v6e1h5m2n8p4r7s9t0wz';

    /** @return iterable<string, array{string, int, bool}> */
    public static function answers(): iterable
    {
        yield 'no such mailbox' => ['550 5.1.1 no such mailbox', 550, true];
        yield 'no such mailbox, by a reply code alone' => ['550 no such mailbox', 0, true];
        yield 'a code that is known apart' => ['no such mailbox', 550, true];
        yield 'a mailbox that has moved' => ['551 user not local', 551, true];
        yield 'refused as spam' => ['550 5.7.1 looks like spam', 550, false];
        yield 'a full mailbox' => ['552 5.2.2 mailbox full', 552, false];
        yield 'a mailbox that is closed' => ['5.2.1 disabled', 0, true];
        yield 'a host that is not there' => ['5.4.4 unable to route', 0, true];
        yield 'the sender is not known there' => ['550 5.1.8 bad sender address', 550, false];
        yield 'the sender cannot be written' => ['553 5.1.7 bad sender syntax', 553, false];
        yield 'something is wrong, and the words say what' => ['5.0.0 smtp; 550 5.1.1 unknown user', 0, true];
        yield 'something is wrong, and nothing says what' => ['5.0.0', 0, false];
        yield 'something is wrong, by the longer code' => ['550 5.0.0 rejected', 550, false];
        yield 'not for now' => ['451 4.3.0 try again', 451, false];
        yield 'a number among words' => ['in 550 days', 0, false];
        yield 'nothing' => ['', 0, false];
    }

    #[DataProvider('answers')]
    public function test_whether_it_is_the_address_that_is_refused(string $words, int $code, bool $bad): void
    {
        self::assertSame($bad, MailStatus::isBadAddress($words, $code));
    }

    /** A report as servers send it: words for people, fields for programs, the head of what came back. */
    private static function report(string $recipients, string $original = '', string $type = 'message/delivery-status'): string
    {
        $original = $original !== '' ? $original : 'Message-ID: <'.self::ID."@pages.example>\r\nSubject: Your plan";

        return "From: MAILER-DAEMON@mx.example\r\nMessage-ID: <01aaaaaaaaaaaaaaaaaaaaaaaa@mx.example>\r\nMIME-Version: 1.0\r\n"
            ."Content-Type: multipart/report; report-type=delivery-status;\r\n\tboundary=\"=_a+b/1\"\r\n\r\nThis is MIME.\r\n--=_a+b/1\r\n"
            ."Content-Type: text/plain\r\n\r\nYour message could not be delivered.\r\n--=_a+b/1\r\nContent-Type: {$type}\r\n\r\n"
            ."Reporting-MTA: dns; mx.example\r\n\r\n{$recipients}\r\n--=_a+b/1\r\nContent-Type: text/rfc822-headers\r\n\r\n"
            ."{$original}\r\n\r\n--=_a+b/1--\r\n";
    }

    /** @return list<string> */
    private static function said(string $raw): array
    {
        return array_map(fn (DeliveryReport $r): string => "{$r->kind->value} {$r->address} {$r->messageId}", ReturnedEmail::reports($raw));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function emails(): iterable
    {
        $one = "Final-Recipient: rfc822; robin@example.com\r\nAction: failed\r\nStatus: 5.1.1\r\n"
            ."Diagnostic-Code: smtp; 550 5.1.1\r\n  <robin>: no";
        $id = self::ID;
        yield 'a mailbox that is not there' => [self::report($one), ["bounced robin@example.com {$id}"]];
        yield 'with bare line ends' => [str_replace("\r\n", "\n", self::report($one)), ["bounced robin@example.com {$id}"]];
        yield 'as its writer wrote the address' => [self::report("Original-Recipient: rfc822;Robin@example.com\r\n{$one}"),
            ["bounced Robin@example.com {$id}"]];
        yield 'a full mailbox' => [self::report(str_replace('5.1.1', '5.2.2', $one)), ["failed robin@example.com {$id}"]];
        yield 'a server that gave no status' => [self::report(str_replace(['5.1.1', "\r\n  <robin>: no"], ['5.0.0', ' nobody here'],
            str_replace('550 5.1.1', '550', $one))), ["bounced robin@example.com {$id}"]];
        yield 'late' => [self::report(str_replace(['failed', '5.1.1'], ['delayed', '4.4.1'], $one)), ["passing robin@example.com {$id}"]];
        yield 'arrived' => [self::report(str_replace(['failed', '5.1.1'], ['delivered', '2.0.0'], $one)),
            ["passing robin@example.com {$id}"]];
        yield 'two at once' => [self::report("{$one}\r\n\r\nFinal-Recipient: rfc822; zoe@example.com\r\nAction: failed\r\nStatus: 5.7.1"),
            ["bounced robin@example.com {$id}", "failed zoe@example.com {$id}"]];
        yield 'of a message that is not ours' => [self::report($one, 'Message-ID: <abc@else.example>'), ['bounced robin@example.com ']];
        yield 'with the whole message below' => [str_replace('text/rfc822-headers', 'message/rfc822', self::report($one)),
            ["bounced robin@example.com {$id}"]];
        $complaint = fn (string $kind): string => str_replace("Reporting-MTA: dns; mx.example\r\n\r\n", '',
            self::report("Feedback-Type: {$kind}\r\nOriginal-Rcpt-To: <robin@example.com>", '', 'message/feedback-report'));
        yield 'a complaint' => [$complaint('abuse'), ["complained robin@example.com {$id}"]];
        yield 'a complaint that is taken back' => [$complaint('not-spam'), []];
        $status = "Reporting-MTA: dns; mx.example\r\n\r\n{$one}";
        yield 'packed in base64' => [str_replace(["message/delivery-status\r\n", $status],
            ["message/delivery-status\r\nContent-Transfer-Encoding: base64\r\n", chunk_split(base64_encode($status))], self::report($one)),
            ["bounced robin@example.com {$id}"]];
        yield 'somebody on holiday' => ["From: robin@example.com\r\nSubject: Away\r\nAuto-Submitted: auto-replied\r\n\r\n"
            .'Until Monday.', []];
        yield 'a report within an email that is handed on' => ["Subject: Fwd\r\nContent-Type: multipart/mixed; boundary=x\r\n\r\n--x\r\n"
            .self::report($one)."\r\n--x--", ["bounced robin@example.com {$id}"]];
        yield 'named in the head alone' => ["From: Mail Delivery System <x@mx.example>\r\nX-Failed-Recipients: robin@example.com,\r\n"
            ." zoe@example.com\r\n\r\nThis could not be delivered:\r\n  550 5.1.1 unknown\r\n\r\n------ copy ------\r\n\r\n"
            ."Message-ID: <{$id}@pages.example>\r\n", ["bounced robin@example.com {$id}", "bounced zoe@example.com {$id}"]];
        yield 'nothing' => ['', []];
        yield 'no boundary' => ["Content-Type: multipart/report\r\n\r\nx", []];
        yield 'a boundary within itself' => ['Content-Type: multipart/mixed; boundary=x'
            .str_repeat("\r\n\r\n--x\r\nContent-Type: multipart/mixed; "
            .'boundary=x', 500), []];
        yield 'no text at all' => [random_bytes(4000), []];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('emails')]
    public function test_what_an_email_reports(string $raw, array $expected): void
    {
        self::assertSame($expected, self::said($raw));
    }

    public function test_the_words_of_the_server_are_told_in_one_line_and_not_all_of_them(): void
    {
        $long = "Final-Recipient: rfc822; robin@example.com\r\nAction: failed\r\nStatus: 5.1.1\r\nDiagnostic-Code: smtp; 550\r\n  "
            .str_repeat('no such user ', 100)."\xff";
        $why = ReturnedEmail::reports(self::report($long))[0]->why;
        self::assertStringStartsWith('5.1.1 550 no such user no such user', $why);
        self::assertSame(DeliveryReport::MOST_WORDS, mb_strlen($why));
        self::assertTrue(mb_check_encoding($why, 'UTF-8'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function calls(): iterable
    {
        $id = self::ID;
        yield 'a bounce' => [['event' => 'bounced', 'email' => ' robin@example.com '], 'bounced robin@example.com '];
        yield 'by the message' => [['event' => 'complained', 'message' => "<{$id}@pages.example>"], "complained  {$id}"];
        yield 'by its id alone' => [['event' => 'failed', 'message' => $id, 'why' => 'Full'], "failed  {$id}"];
        yield 'more than is asked for' => [['event' => 'passing', 'email' => 'a@b.example', 'at' => 7], 'passing a@b.example '];
    }

    /** @param  array<string, mixed>  $call */
    #[DataProvider('calls')]
    public function test_what_a_call_tells(array $call, string $expected): void
    {
        $report = DeliveryReport::fromShape(Shape::of($call));
        self::assertSame($expected, "{$report->kind->value} {$report->address} {$report->messageId}");
        self::assertNotSame('', $report->why);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function broken(): iterable
    {
        yield 'no event' => [['email' => 'a@b.example'], 'event'];
        yield 'an event of another name' => [['event' => 'hard_bounce', 'email' => 'a@b.example'], 'event'];
        yield 'nobody' => [['event' => 'bounced'], 'email'];
        yield 'a list for an address' => [['event' => 'bounced', 'email' => ['a@b.example']], 'email'];
        yield 'a number for a message' => [['event' => 'bounced', 'message' => 7], 'message'];
    }

    /** @param  array<string, mixed>  $call */
    #[DataProvider('broken')]
    public function test_what_no_call_tells(array $call, string $path): void
    {
        try {
            DeliveryReport::fromShape(Shape::of($call));
            self::fail('It was taken.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }
}
