<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Sending\MessageSender;
use App\Models\MailServer;
use App\Models\Message;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** The owner's own mail server: named in Settings, tried, used, and left again. */
final class MailServerTest extends TestCase
{
    private const PATH = '/studio/api/settings/mail';

    private User $owner;

    private ?Process $server = null;

    private string $log;

    protected function setUp(): void
    {
        parent::setUp();
        $this->log = (string) tempnam(sys_get_temp_dir(), 'smtp');
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    protected function tearDown(): void
    {
        $this->server?->stop(1);
        @unlink($this->log);
        parent::tearDown();
    }

    /**
     * @param  string  $refuse  an answer to RCPT TO other than yes
     * @param  string  $login  NAME:PASSWORD that is asked for
     * @return array<string, mixed> what is typed for it
     */
    private function start(string $refuse = '', string $login = ''): array
    {
        $this->server = new Process(['node', __DIR__.'/smtp-server.mjs', $this->log, $refuse, $login]);
        $this->server->start();
        $this->server->waitUntil(fn (string $type, string $out): bool => str_contains($out, "\n"));

        return ['way' => 'server', 'host' => '127.0.0.1', 'port' => (int) trim($this->server->getOutput()), 'encryption' => 'none'];
    }

    /** @return list<array<string, mixed>> what the server took */
    private function taken(): array
    {
        return array_map(fn (string $line): array => (array) json_decode($line, true),
            array_values(array_filter(explode("\n", (string) file_get_contents($this->log)))));
    }

    private function sendOne(): Message
    {
        $this->join($this->live($this->owner), ['email' => 'robin@example.com']);
        $id = Message::query()->sole()->id;
        app(MessageSender::class)->send($id);

        return Message::query()->findOrFail($id);
    }

    public function test_messages_go_to_the_server_that_is_named_and_back_to_the_outbox_by_a_switch(): void
    {
        $this->getJson(self::PATH)->assertOk()->assertJsonPath('way', 'outbox')->assertJsonPath('file', null);
        $server = $this->start(login: 'imke:twelve minutes');
        $this->putJson(self::PATH, ['username' => 'imke', 'password' => 'twelve minutes'] + $server)->assertOk()
            ->assertJsonPath('way', 'server')->assertJsonPath('hasPassword', true)->assertJsonMissingPath('password');
        self::assertSame('sent', $this->sendOne()->state->value);
        self::assertSame([['robin@example.com'], 0], [$this->taken()[0]['to'], DB::table('outbox')->count()]);
        self::assertStringNotContainsString('twelve', (string) DB::table('mail_servers')->value('password'), 'kept encrypted');

        $this->putJson(self::PATH, ['way' => 'outbox', 'username' => 'imke'] + $server)->assertOk()->assertJsonPath('way', 'outbox')
            ->assertJsonPath('hasPassword', true);
        Message::query()->sole()->forceFill(['state' => 'waiting', 'due_at' => now()->subMinute()])->save();
        app(MessageSender::class)->send(Message::query()->sole()->id);
        self::assertSame([1, 1], [count($this->taken()), DB::table('outbox')->count()]);
    }

    public function test_a_test_tells_what_the_server_said_and_changes_nothing(): void
    {
        $server = $this->start();
        $this->postJson(self::PATH.'/test', $server)->assertOk()->assertJsonPath('works', true)
            ->assertJsonPath('words', 'The server took it. Look for it at imke@ferncroft.example.');
        self::assertSame([['imke@ferncroft.example']], array_column($this->taken(), 'to'));
        self::assertSame(0, MailServer::query()->count());
        $this->getJson(self::PATH)->assertJsonPath('way', 'outbox');
    }

    /** @return iterable<string, array{array<string, mixed>, string, string, string, string}> */
    public static function troubles(): iterable
    {
        yield 'a wrong password' => [['username' => 'imke', 'password' => 'wrong'], '', 'imke:right', 'name and password', '535'];
        yield 'a refused address' => [[], '550 5.1.1 no such mailbox', '', 'refused', '550 5.1.1 no such mailbox'];
        yield 'asked to wait' => [[], '451 4.7.1 come again', '', 'later', '451 4.7.1 come again'];
        yield 'no encryption where some is wanted' => [['encryption' => 'starttls'], '', '', 'offers no encryption', 'TLS'];
        yield 'nobody there' => [['port' => 1], '', '', 'could not be reached', 'Connection refused'];
    }

    /** @param  array<string, mixed>  $typed */
    #[DataProvider('troubles')]
    public function test_what_is_wrong_is_said_in_plain_words_beside_the_servers_own(array $typed, string $refuse, string $login,
        string $words, string $answer): void
    {
        $found = $this->postJson(self::PATH.'/test', $typed + $this->start($refuse, $login))->assertOk()
            ->assertJsonPath('works', false)->json();
        self::assertStringContainsString($words, $found['words']);
        self::assertStringContainsString($answer, $found['answer']);
    }

    public function test_a_password_is_told_to_no_other_server_than_that_for_which_it_was_typed(): void
    {
        $named = ['way' => 'server', 'host' => 'smtp.example', 'port' => 587, 'encryption' => 'starttls', 'username' => 'imke'];
        $has = fn (array $typed): mixed => $this->putJson(self::PATH, $typed + $named)->assertOk()->json('hasPassword');

        self::assertSame([true, true, true, false], [$has(['password' => 'secret']), $has([]), $has(['port' => 465, 'encryption' => 'tls']),
            $has(['host' => 'other.example'])]);
        self::assertTrue($has(['password' => 'secret']));
        self::assertFalse($has(['username' => 'somebody']));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function hostile(): iterable
    {
        yield 'no host' => [['host' => ''], 'host'];
        yield 'an address of a page' => [['host' => 'https://smtp.example/'], 'host'];
        yield 'more than a host' => [['host' => "smtp.example\r\nRCPT TO:<x@y.example>"], 'host'];
        yield 'a list' => [['host' => ['a']], 'host'];
        yield 'a port that is none' => [['port' => 70000], 'port'];
        yield 'a port of words' => [['port' => 'smtp'], 'port'];
        yield 'an unknown encryption' => [['encryption' => 'rot13'], 'encryption'];
        yield 'an unknown way' => [['way' => 'pigeon'], 'way'];
        yield 'a password without end' => [['password' => str_repeat('x', 501)], 'password'];
    }

    /** @param  array<string, mixed>  $typed */
    #[DataProvider('hostile')]
    public function test_what_makes_no_sense_is_refused_where_it_was_typed(array $typed, string $field): void
    {
        $usual = ['way' => 'server', 'host' => 'smtp.example', 'port' => 587, 'encryption' => 'starttls'];
        $this->putJson(self::PATH, $typed + $usual)->assertUnprocessable()->assertJsonValidationErrors($field);
        $this->postJson(self::PATH.'/test', $typed + $usual)->assertUnprocessable()->assertJsonValidationErrors($field);
        self::assertSame(0, MailServer::query()->count());
    }

    public function test_what_stands_in_the_file_works_and_is_shown_as_such(): void
    {
        $server = $this->start();
        config(['mail.default' => 'smtp', 'mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => $server['port'],
            'mail.mailers.smtp.require_tls' => false]);
        $this->getJson(self::PATH)->assertJsonPath('way', 'file')->assertJsonPath('file', "127.0.0.1:{$server['port']}");
        self::assertSame(['sent', 1], [$this->sendOne()->state->value, count($this->taken())]);
        $this->putJson(self::PATH, ['way' => 'outbox'] + $server)->assertOk()->assertJsonPath('way', 'outbox');
        $this->putJson(self::PATH, ['way' => 'file'] + $server)->assertOk()->assertJsonPath('way', 'file');
    }

    public function test_each_business_has_its_own_and_the_records_are_those_of_its_sender(): void
    {
        $this->putJson(self::PATH, ['way' => 'server', 'host' => 'smtp.example', 'port' => 587, 'encryption' => 'starttls'])->assertOk()
            ->assertJsonPath('records.0.name', 'ferncroft.example')->assertJsonPath('records.0.value', 'v=spf1 mx a:smtp.example ~all')
            ->assertJsonPath('records.2.name', '_dmarc.ferncroft.example');
        $this->actingAs($this->owner('other@pupils.example'))->getJson(self::PATH)->assertJsonPath('way', 'outbox')
            ->assertJsonPath('host', '')->assertJsonPath('records', []);
    }
}
