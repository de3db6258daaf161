<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Sending\MessageSender;
use App\Models\Message;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Messages over a real socket to a real mail server that refuses what it is told to refuse. */
final class SmtpTest extends TestCase
{
    private ?Process $server = null;

    private string $log;

    protected function setUp(): void
    {
        parent::setUp();
        $this->log = (string) tempnam(sys_get_temp_dir(), 'smtp');
    }

    protected function tearDown(): void
    {
        $this->server?->stop(1);
        @unlink($this->log);
        parent::tearDown();
    }

    /** @param  string  $refuse an answer to RCPT TO other than yes, such as "550 no such mailbox" */
    private function startServer(string $refuse = '', string $login = ''): void
    {
        $this->server = new Process(['node', __DIR__.'/smtp-server.mjs', $this->log, $refuse, $login]);
        $this->server->start();
        $this->server->waitUntil(fn (string $type, string $out): bool => str_contains($out, "\n"));
        $this->useServer((int) trim($this->server->getOutput()));
    }

    private function useServer(int $port): void
    {
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => $port,
            'mail.mailers.smtp.timeout' => 3, 'mail.mailers.smtp.require_tls' => false]);
    }

    private function send(string $to = 'robin@bücher.example'): Message
    {
        $this->join($this->live(), ['first_name' => 'Zoë', 'email' => $to]);
        $id = Message::query()->sole()->id;
        app(MessageSender::class)->send($id);

        return Message::query()->findOrFail($id);
    }

    public function test_a_message_reaches_the_server_with_its_envelope(): void
    {
        $this->startServer();
        $message = $this->send();

        self::assertSame('sent', $message->state->value);
        // The server shows a host's name as people write it.
        $taken = json_decode((string) file_get_contents($this->log), true);
        self::assertSame(['imke@ferncroft.example', ['robin@bücher.example']], [$taken['from'], $taken['to']]);
        self::assertStringContainsString('List-Unsubscribe-Post: List-Unsubscribe=One-Click', $taken['data']);
        self::assertStringContainsString("Message-ID: <{$message->id}@", $taken['data']);
        self::assertStringContainsString('multipart/alternative', $taken['data']);
    }

    /** @return iterable<string, array{string, string, string|null}> */
    public static function refusals(): iterable
    {
        yield 'no such mailbox is final, and nothing more goes there' => ['550 5.1.1 no such mailbox', 'failed', 'bounced'];
        yield 'without the longer code too' => ['550 no such mailbox', 'failed', 'bounced'];
        yield 'a refusal of the message says nothing of the address' => ['550 5.7.1 looks like spam', 'failed', null];
        yield 'try later is tried later' => ['451 try later', 'waiting', null];
        yield 'a full mailbox is tried later' => ['452 mailbox full', 'waiting', null];
    }

    #[DataProvider('refusals')]
    public function test_what_the_server_says_decides(string $answer, string $state, ?string $suppressed): void
    {
        $this->startServer($answer);
        $message = $this->send();

        self::assertSame($state, $message->state->value);
        self::assertStringContainsString(substr($answer, 4), (string) $message->trouble);
        self::assertNull($message->sent_at);
        self::assertSame($suppressed, $message->person?->suppressed);
    }

    public function test_an_address_the_server_cannot_write_to_ends_there(): void
    {
        $this->startServer();
        $message = $this->send('zoë@bücher.example');

        self::assertSame('failed', $message->state->value);
        self::assertStringContainsString('cannot write to such an address', (string) $message->trouble);
    }

    public function test_a_server_that_is_down_is_tried_later(): void
    {
        $this->useServer(1);
        $message = $this->send();

        self::assertSame('waiting', $message->state->value);
        self::assertSame('The mail server could not be reached.', $message->trouble);
        self::assertSame(1, $message->attempts);
    }

    public function test_a_server_that_wants_a_password_gets_it(): void
    {
        $this->startServer(login: 'imke:twelve minutes');
        config(['mail.mailers.smtp.username' => 'imke', 'mail.mailers.smtp.password' => 'twelve minutes']);
        self::assertSame('sent', $this->send()->state->value);
    }

    public function test_a_server_without_encryption_gets_neither_password_nor_message(): void
    {
        $before = config('mail.mailers.smtp.require_tls');
        self::assertTrue($before, 'encryption is asked for unless the owner says otherwise');
        $this->startServer(login: 'imke:twelve minutes');
        config(['mail.mailers.smtp.username' => 'imke', 'mail.mailers.smtp.password' => 'twelve minutes',
            'mail.mailers.smtp.require_tls' => true]);
        $message = $this->send();

        self::assertSame('waiting', $message->state->value);
        self::assertStringContainsString('offers no encryption', (string) $message->trouble);
        self::assertStringNotContainsString('AUTH', (string) @file_get_contents($this->log));
        self::assertSame('', trim((string) @file_get_contents($this->log)), 'no message arrived');
    }

    public function test_a_wrong_password_is_no_fault_of_the_address(): void
    {
        $this->startServer(login: 'imke:twelve minutes');
        config(['mail.mailers.smtp.username' => 'imke', 'mail.mailers.smtp.password' => 'wrong']);
        $message = $this->send();

        self::assertSame('waiting', $message->state->value);
        self::assertNull($message->person?->suppressed);
    }
}
