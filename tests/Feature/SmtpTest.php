<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Mail\Postman;
use App\Models\Message;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Messages over a real socket to a mail server that says what it is told to say. */
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
    private function startServer(string $refuse = ''): void
    {
        $code = <<<'PHP'
            $server = stream_socket_server('tcp://127.0.0.1:0');
            echo stream_socket_get_name($server, false), "\n";
            while ($c = stream_socket_accept($server, 30)) {
                fwrite($c, "220 test\r\n");
                $data = false;
                while (($line = fgets($c)) !== false) {
                    file_put_contents($argv[1], $line, FILE_APPEND);
                    if ($data) {
                        if (rtrim($line) === '.') { $data = false; fwrite($c, "250 taken\r\n"); }
                        continue;
                    }
                    $verb = strtoupper(substr($line, 0, 4));
                    if ($verb === 'DATA') { $data = true; }
                    fwrite($c, match ($verb) {
                        'EHLO' => "250 test\r\n",
                        'RCPT' => ($argv[2] ?: '250 ok')."\r\n",
                        'DATA' => "354 go on\r\n",
                        'QUIT' => "221 bye\r\n",
                        default => "250 ok\r\n",
                    });
                    if ($verb === 'QUIT') { break; }
                }
                fclose($c);
            }
            PHP;
        $this->server = new Process([PHP_BINARY, '-r', $code, '--', $this->log, $refuse]);
        $this->server->start();
        $this->server->waitUntil(fn (string $type, string $out): bool => str_contains($out, "\n"));
        $this->useServer((int) substr((string) strrchr(trim($this->server->getOutput()), ':'), 1));
    }

    private function useServer(int $port): void
    {
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => $port, 'mail.mailers.smtp.timeout' => 3]);
    }

    private function send(string $to = 'robin@bücher.example'): Message
    {
        $this->join($this->live(), ['first_name' => 'Zoë', 'email' => $to]);
        $id = Message::query()->sole()->id;
        app(Postman::class)->send($id);

        return Message::query()->findOrFail($id);
    }

    public function test_a_message_reaches_the_server_with_its_envelope(): void
    {
        $this->startServer();
        $message = $this->send();

        self::assertSame('sent', $message->state);
        $wire = (string) file_get_contents($this->log);
        self::assertStringContainsString('MAIL FROM:<imke@ferncroft.example>', $wire);
        self::assertMatchesRegularExpression('/RCPT TO:<.+@xn--bcher-kva\.example>/', $wire);
        self::assertStringContainsString('List-Unsubscribe-Post: List-Unsubscribe=One-Click', $wire);
        self::assertStringContainsString("Message-ID: <{$message->id}@", $wire);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refusals(): iterable
    {
        yield 'no such mailbox is final' => ['550 no such mailbox', 'failed'];
        yield 'try later is tried later' => ['451 try later', 'waiting'];
        yield 'a full mailbox is tried later' => ['452 mailbox full', 'waiting'];
    }

    #[DataProvider('refusals')]
    public function test_what_the_server_says_decides(string $answer, string $state): void
    {
        $this->startServer($answer);
        $message = $this->send();

        self::assertSame($state, $message->state);
        self::assertStringContainsString(substr($answer, 4), (string) $message->trouble);
        self::assertNull($message->sent_at);
    }

    public function test_an_address_the_server_cannot_write_to_ends_there(): void
    {
        $this->startServer();
        $message = $this->send('zoë@bücher.example');

        self::assertSame('failed', $message->state);
        self::assertStringContainsString('cannot write to such an address', (string) $message->trouble);
    }

    public function test_a_server_that_is_down_is_tried_later(): void
    {
        $this->useServer(1);
        $message = $this->send();

        self::assertSame('waiting', $message->state);
        self::assertSame('The mail server could not be reached.', $message->trouble);
        self::assertSame(1, $message->attempts);
    }
}
