<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Emails\WrittenEmail;
use App\Mail\Sending\MessageSender;
use App\Mail\Sending\PermanentTrouble;
use App\Mail\Sending\Provider;
use App\Mail\Sending\TemporaryTrouble;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Publishing\Publishing;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use PHPUnit\Framework\Attributes\DataProvider;
use RuntimeException;
use Symfony\Component\Mime\Email as Mime;
use Tests\Drafts\Email;
use Tests\TestCase;

final class MessagesTest extends TestCase
{
    private function sent(Funnel $funnel, string $name = 'Robin'): Message
    {
        $this->join($funnel, ['first_name' => $name, 'email' => 'robin@example.com']);
        $this->runQueue();

        return $this->message('robin@example.com');
    }

    private function unsubscribePath(Message $message): string
    {
        self::assertSame(1, preg_match('~Unsubscribe: http://localhost(/u/\S+)~', (string) $message->text, $m));

        return $m[1];
    }

    public function test_an_email_goes_over_the_wire_as_it_should(): void
    {
        $message = $this->sent($this->live(), 'Zoë <b>');
        [$head, $body] = explode("\r\n\r\n", (string) DB::table('outbox')->value('mime'), 2);
        $headers = iconv_mime_decode_headers($head, 0, 'UTF-8') ?: [];
        self::assertSame('Imke Farrow <imke@ferncroft.example>', $headers['From']);
        self::assertSame('robin@example.com', $headers['To'], 'what is no name stands in no header');
        self::assertSame('Here it is: The Twelve-Minute Practice Plan', $headers['Subject']);
        self::assertSame('List-Unsubscribe=One-Click', $headers['List-Unsubscribe-Post']);
        self::assertStringStartsWith('<http://localhost/u/', $headers['List-Unsubscribe']);
        self::assertStringStartsWith("<{$message->id}@", $headers['Message-ID']);
        preg_match('/boundary=(\S+)/', (string) $headers['Content-Type'], $m);
        [, $plain, $rich] = explode("--{$m[1]}", $body);
        self::assertStringContainsString('text/plain', $plain);
        self::assertStringContainsString('text/html', $rich);
        $text = str_replace("\r", '', quoted_printable_decode($plain));
        self::assertStringContainsString("Hello Zoë <b>,\n\nthank you for asking", $text);
        self::assertMatchesRegularExpression('~Download it now:\s+http://localhost/f/\S+signature=~', $text);
        self::assertStringContainsString('3 Ferncroft Yard', $text);
        $html = quoted_printable_decode($rich);
        self::assertStringContainsString('Hello Zoë &lt;b&gt;,', $html);
        self::assertStringContainsString('3 Ferncroft Yard', $html);
        self::assertMatchesRegularExpression('~<a class="button"[^>]*style="[^"]*background-color: #c2410c~', $html, 'styles are inlined');
    }

    public function test_follow_ups_are_sent_when_they_are_due_and_as_they_are_by_then(): void
    {
        $funnel = $this->draft();
        $later = Email::query()->create(['funnel_id' => $funnel->id, 'name' => 'Day 1', 'subject' => 'First wording', 'body' => '<p>x</p>',
            'timing' => ['from' => 'joining', 'days' => 1, 'hour' => 9]]);
        $taken = Email::query()
            ->create(['funnel_id' => $funnel->id, 'name' => 'Day 2', 'subject' => 'x', 'body' => '<p>x</p>',
                'timing' => ['from' => 'joining', 'days' => 2]]);
        app(Publishing::class)->publish($funnel, null);
        $this->join($funnel->refresh(), ['email' => 'robin@example.com', 'zone' => 'Europe/Berlin']);
        $this->runQueue();
        self::assertSame(['sent' => 1, 'waiting' => 2], Message::query()->pluck('state')->countBy()->all());

        $later->forceFill(['subject' => 'Better wording'])->save();
        $taken->forceFill(['removed' => []])->save();
        app(Publishing::class)->publish($funnel->refresh(), null);
        $postman = app(MessageSender::class);
        self::assertSame(0, $postman->queueDue());
        $this->travel(3)->days();
        self::assertSame(2, $postman->queueDue());
        self::assertSame(0, $postman->queueDue(), 'what is queued is not queued again');
        $this->runQueue();

        self::assertSame(['sent', 'Better wording'],
            [Message::query()->where('email_id', $later->id)->sole()->state->value,
                Message::query()->where('email_id', $later->id)->sole()->subject]);
        self::assertSame([MessageState::Cancelled, 'The email was removed from the funnel.'],
            array_values(Message::query()->where('email_id', $taken->id)->sole()->only(['state', 'trouble'])));
    }

    public function test_opening_the_unsubscribe_link_only_asks(): void
    {
        $path = $this->unsubscribePath($this->sent($this->live()));

        $this->get($path)->assertOk()->assertSee('Yes, unsubscribe me');
        self::assertNull(Person::query()->sole()->unsubscribed_at);
        $this->post(strtok($path, '?').'?signature=forged')->assertNotFound();
        self::assertNull(Person::query()->sole()->unsubscribed_at);
    }

    public function test_one_click_unsubscribes_and_stops_what_waits(): void
    {
        $funnel = $this->draft();
        Email::query()->create(['funnel_id' => $funnel->id, 'name' => 'Day 1', 'subject' => 'x', 'body' => '<p>x</p>',
            'timing' => ['from' => 'joining', 'days' => 1]]);
        app(Publishing::class)->publish($funnel, null);
        $this->join($funnel->refresh(), ['email' => 'robin@example.com']);
        $this->runQueue();
        $path = $this->unsubscribePath(Message::query()->where('state', 'sent')->sole());

        $this->post($path, ['List-Unsubscribe' => 'One-Click'])->assertOk()->assertSee('You are unsubscribed');
        $this->post($path, ['List-Unsubscribe' => 'One-Click'])->assertOk();

        self::assertNotNull(Person::query()->sole()->unsubscribed_at);
        self::assertSame(['cancelled' => 1, 'sent' => 1], Message::query()->pluck('state')->countBy()->sortKeys()->all());
        self::assertSame(1, DB::table('events')->where('type', 'unsubscribed')->count());
        // Coming back of one's own accord is coming back, once it is known to be one's own; what was stopped stays stopped.
        $this->join($funnel, ['email' => 'robin@example.com']);
        self::assertNotNull(Person::query()->sole()->unsubscribed_at);
        $this->runQueue();
        preg_match('~http://localhost(/c/\S+)~', (string) Message::query()->where('kind', 'confirm')->sole()->text, $m);
        $this->post($m[1])->assertRedirect();
        self::assertNull(Person::query()->sole()->unsubscribed_at);
        self::assertSame(1, Message::query()->where('state', 'cancelled')->count());
    }

    public function test_two_workers_with_one_message_send_it_once(): void
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);
        $id = $this->message('robin@example.com')->id;
        $handed = [];
        $note = function (string $messageId) use (&$handed): void {
            $handed[] = $messageId;
            app(MessageSender::class)->send($messageId); // a second worker comes by while the first is at it
        };
        $this->app->bind(Provider::class, fn () => new class($note) implements Provider
        {
            public function __construct(private \Closure $note)
            {
            }

            public function handOver(string $messageId, int $business, string $to, Mime $email): void
            {
                ($this->note)($messageId);
            }
        });
        app(MessageSender::class)->send($id);
        app(MessageSender::class)->send($id);

        self::assertSame([$id], $handed);
    }

    public function test_temporary_trouble_is_tried_again_later_and_at_last_given_up(): void
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);
        $this->provider(new TemporaryTrouble('The mail server could not be reached.'));
        $waits = [];
        for ($i = 0; $i < 6; $i++) {
            app(MessageSender::class)->send($this->message('robin@example.com')->id);
            $message = $this->message('robin@example.com');
            $waits[] = $message->state->value === 'waiting' ? (int) round(now()->diffInMinutes($message->due_at)) : $message->state->value;
            app(MessageSender::class)->send($message->id); // too early: nothing happens
            $this->travelTo($message->due_at->addSecond());
        }

        self::assertSame([1, 5, 15, 60, 240, 'failed'], $waits);
        self::assertSame([6, 'The mail server could not be reached.'],
            [$this->message('robin@example.com')->attempts, $this->message('robin@example.com')->trouble]);
    }

    public function test_permanent_trouble_ends_it_at_once(): void
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);
        $this->provider(new PermanentTrouble('There is no such mailbox.'));
        app(MessageSender::class)->send($this->message('robin@example.com')->id);

        self::assertSame([MessageState::Failed, 'There is no such mailbox.'],
            array_values($this->message('robin@example.com')->only(['state', 'trouble'])));
    }

    public function test_a_message_that_kills_every_worker_is_given_up(): void
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);
        $postman = app(MessageSender::class);
        for ($i = 1; $i <= 6; $i++) {
            $this->message('robin@example.com')->forceFill(['state' => 'sending', 'claimed_at' => now(), 'attempts' => $i])->save();
            self::assertSame(0, $postman->queueDue(), 'a fresh claim is left alone');
            $this->travel(61)->seconds();
            $postman->queueDue();
        }

        self::assertSame([MessageState::Failed, 'Every try to send it was broken off in the middle.'],
            array_values($this->message('robin@example.com')->only(['state', 'trouble'])));
    }

    public function test_whatever_a_library_throws_a_message_ends_in_a_final_state(): void
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);
        $this->provider(new RuntimeException('Something nobody thought of.'));
        for ($i = 0; $i < 6; $i++) {
            app(MessageSender::class)->send($this->message('robin@example.com')->id);
            $this->travelTo($this->message('robin@example.com')->due_at->addSecond());
        }

        self::assertSame([MessageState::Failed, 'Handing this message over went wrong.'],
            array_values($this->message('robin@example.com')->only(['state', 'trouble'])));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function unwritable(): iterable
    {
        yield 'an address that is none any more' => ['to_address', 'robin(comment)@example.com', 'does not look like an email address'];
        yield 'no address' => ['to_address', '', 'fill in your email address'];
        yield 'a sender that is none' => ['sender', 'not an address', 'does not comply'];
    }

    #[DataProvider('unwritable')]
    public function test_what_cannot_be_written_fails_at_once_and_says_why(string $what, string $value, string $why): void
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);
        $message = $this->message('robin@example.com');
        $what === 'sender' ? $message->business->forceFill(['sender_address' => $value])->save()
            : $message->forceFill([$what => $value])->save();
        app(MessageSender::class)->send($message->id);

        self::assertSame(MessageState::Failed, $message->refresh()->state);
        self::assertStringContainsString($why, (string) $message->trouble);
    }

    /** @return iterable<string, array{string}> */
    public static function subjects(): iterable
    {
        yield 'what looks like an encoded word' => ['=?utf-8?Q?Hello?='];
        yield 'with words around it' => ['Look: =?iso-8859-1?B?SGk=?= and =?x? more'];
        yield 'letters of all kinds' => ['Zoë, “twelve minutes” a day 🎻'];
        yield 'a long one' => [str_repeat('Twelve minutes a day, ', 9)];
        yield 'a long one that looks like encoded words' => [trim(str_repeat('=?utf-8?Q?Hello?= ', 11))];
        yield 'signs' => ['a=b? (c) <d> "e"; f: g'];
    }

    #[DataProvider('subjects')]
    public function test_a_subject_arrives_as_it_was_written(string $text): void
    {
        $funnel = $this->live();
        $this->join($funnel, ['email' => 'robin@example.com']);
        $message = $this->message('robin@example.com');
        $mime = (new WrittenEmail($text, '<p>x</p>', 'x'))->mime($message)->toString();

        self::assertSame(trim($text), (iconv_mime_decode_headers(explode("\r\n\r\n", $mime)[0], 0, 'UTF-8') ?: [])['Subject']);
    }

    #[DataProvider('subjects')]
    public function test_the_name_of_a_sender_arrives_as_it_was_written(string $name): void
    {
        $name = mb_substr(trim($name), 0, 100);
        $funnel = $this->live();
        $this->join($funnel, ['email' => 'robin@example.com']);
        $message = $this->message('robin@example.com');
        $message->business->forceFill(['sender_name' => $name]);
        $mime = (new WrittenEmail('x', '<p>x</p>', 'x'))->mime($message)->toString();

        $from = (string) (iconv_mime_decode_headers(explode("\r\n\r\n", $mime)[0], 0, 'UTF-8') ?: [])['From'];
        $address = '<imke@ferncroft.example>';
        self::assertStringEndsWith($address, $from);
        // A name with signs of its own stands in quotes.
        self::assertSame($name, (string) preg_replace_callback('/^"((?:\\\\.|[^"])*)"$/',
            fn (array $m): string => stripslashes($m[1]), trim(substr($from, 0, -strlen($address)))));
    }

    private function provider(\Throwable $trouble): void
    {
        $this->app->bind(Provider::class, fn () => new class($trouble) implements Provider
        {
            public function __construct(private \Throwable $trouble)
            {
            }

            public function handOver(string $messageId, int $business, string $to, Mime $email): void
            {
                throw $this->trouble;
            }
        });
    }
}
