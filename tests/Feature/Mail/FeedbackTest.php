<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Sending\OutboxBehaviour;
use App\Mail\Sending\ReturnedMail;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\People\Consent\Suppressions;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What comes back of emails: clicks, opens, bounces, complaints, and readers who choose less. */
final class FeedbackTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
    }

    private function letter(string $to = 'robin@example.com'): Message
    {
        $this->join($this->funnel, ['first_name' => 'Robin', 'email' => $to]);
        $this->defaultCookies = [];
        $this->runQueue();

        return Message::query()->where('to_address', $to)->where('kind', 'sequence')->sole();
    }

    /** @return list<string> paths of the links that are counted */
    private function links(Message $message): array
    {
        preg_match_all('~href="http://localhost(/l/[^"]+)"~', (string) $message->html, $m);

        return $m[1];
    }

    public function test_a_click_is_counted_and_leads_where_the_email_said(): void
    {
        $message = $this->letter();
        [$link] = $this->links($message);
        $target = (string) $this->get($link)->assertStatus(302)->headers->get('Location');

        self::assertMatchesRegularExpression('~^http://localhost/f/[a-z0-9]+/plan\.pdf\?expires=\d+&signature=~', $target);
        self::assertStringNotContainsString('robin', $target.$link);
        $this->get(substr($target, strlen('http://localhost')))->assertOk();
        self::assertSame([1, 1], [$message->refresh()->clicks, $message->opens], 'who clicked has seen it');
        self::assertSame(['clicked', 'downloaded', 'joined'], DB::table('events')->orderBy('type')->pluck('type')->all());
    }

    public function test_the_page_knows_who_clicked_without_an_address_that_says_so(): void
    {
        $message = $this->letter();
        $visitor = str_repeat('7', 32);
        $this->withUnencryptedCookie('lantern_visitor', $visitor);
        DB::table('events')->insert(['business_id' => $this->owner->business_id, 'type' => 'viewed', 'funnel_id' => $this->funnel->id,
            'visitor' => $visitor, 'at' => now()]);
        $this->get($this->links($message)[0])->assertRedirect();

        self::assertSame($message->person_id, DB::table('visitor_person')->where('visitor', $visitor)->value('person_id'));
        self::assertSame($message->person_id, DB::table('events')->where('visitor', $visitor)->value('person_id'),
            'what this browser did before was theirs');
    }

    public function test_a_link_cannot_be_made_to_lead_elsewhere(): void
    {
        $message = $this->letter();
        DB::table('mail_links')
            ->insert(['business_id' => $this->owner->business_id, 'url_hash' => str_repeat('a', 64), 'url' => 'https://evil.example/']);
        $evil = (int) DB::table('mail_links')->where('url', 'https://evil.example/')->value('id');
        [$link] = $this->links($message);
        preg_match('~^/l/([^/]+)/(\d+)/(.+)$~', $link, $m);
        foreach (["/l/{$m[1]}/{$evil}/{$m[3]}", "/l/{$m[1]}/{$m[2]}/".str_repeat('0', 20), '/l/'.str_repeat('0', 26)."/{$m[2]}/{$m[3]}",
            "/l/{$m[1]}/{$m[2]}/{$m[3]}?url=https://evil.example"] as $forged) {
            $answer = $this->get($forged);
            self::assertStringNotContainsString('evil', (string) $answer->headers->get('Location'));
        }
        self::assertSame(1, (int) DB::table('messages')->where('id', $message->id)->value('clicks'), 'only the last one was a true link');
    }

    /** @return iterable<string, array{string, string}> */
    public static function templates(): iterable
    {
        yield 'script in a field' => ['{{last_name}}', 'javascript:alert(1)'];
        yield 'data in a field' => ['{{last_name}}', 'data:text/html,x'];
        yield 'an address in a field' => ['{{last_name}}', 'https://evil.example/'];
        yield 'a host in a field' => ['https://{{last_name}}/', 'evil.example'];
    }

    #[DataProvider('templates')]
    public function test_what_a_person_wrote_is_no_target(string $template, string $name): void
    {
        $message = $this->letter();
        DB::table('mail_links')->update(['url' => $template]);
        DB::table('people')->update(['last_name' => $name]);

        $this->get($this->links($message)[0])->assertNotFound();
    }

    public function test_what_a_person_wrote_is_a_part_of_a_path_and_no_more(): void
    {
        $message = $this->letter();
        DB::table('mail_links')->update(['url' => 'https://ok.example/{{last_name}}?a={{last_name}}']);
        DB::table('people')->update(['last_name' => "x/../?b\r\nSet-Cookie: a=b"]);
        $part = 'x%2F..%2F%3Fb%0D%0ASet-Cookie%3A%20a%3Db';

        $this->get($this->links($message)[0])->assertRedirect("https://ok.example/{$part}?a={$part}");
    }

    public function test_neither_the_owner_nor_programs_are_readers(): void
    {
        $message = $this->letter();
        [$link] = $this->links($message);
        $this->withHeaders(['User-Agent' => 'Googlebot/2.1'])->get($link)->assertRedirect();
        $this->call('HEAD', $link)->assertRedirect();
        $this->withHeaders(['User-Agent' => self::CHROME])->withCookie('lantern_owner', '1')->get($link)->assertRedirect();

        self::assertSame(0, $message->refresh()->clicks);
        self::assertNull($message->clicked_at);
    }

    public function test_opening_is_counted_once_however_often_it_happens(): void
    {
        $message = $this->letter();
        self::assertSame(1, preg_match('~src="http://localhost(/o/[^"]+\.gif)"~', (string) $message->html, $m));
        $this->get($m[1])->assertOk()->assertHeader('Content-Type', 'image/gif');
        $this->get($m[1])->assertOk();
        $this->get(str_replace('.gif', '0.gif', $m[1]))->assertOk();

        self::assertSame(2, $message->refresh()->opens);
        self::assertSame(1, DB::table('events')->where('type', 'opened')->count());
        self::assertNull(DB::table('events')->where('type', 'opened')->value('page_id'));
        $this->actingAs($this->owner)->getJson("/studio/api/funnels/{$this->funnel->id}")
            ->assertJsonPath("emailNumbers.{$message->email_id}.opened", 1)->assertJsonPath("emailNumbers.{$message->email_id}.sent", 1);
    }

    public function test_the_same_link_in_a_thousand_emails_is_one_row(): void
    {
        $this->letter('a@example.com');
        $this->letter('b@example.com');

        self::assertSame(1, DB::table('mail_links')->count());
    }

    public function test_a_bounce_stops_everything_and_outlasts_the_person(): void
    {
        OutboxBehaviour::read(Shape::of(['bouncing' => ['ROBIN@example.com', '@gone.example']]))->keep();
        $message = $this->letter();
        $this->letter('kim@gone.example');
        self::assertSame(['failed', 'bounced', 'bounced'],
            [$message->state->value, $message->lost_why, Person::query()->where('email_key', 'robin@example.com')->sole()->suppressed]);
        $this->join($this->funnel, ['email' => 'robin@example.com']);
        $this->post('/f/again', ['email' => 'robin@example.com'])->assertOk();
        $this->runQueue();
        self::assertSame('cancelled', Message::query()->where('kind', 'new-link')->sole()->state->value, 'suppression always wins');

        $id = Person::query()->where('email_key', 'robin@example.com')->sole()->id;
        $this->actingAs($this->owner)->postJson("/studio/api/people/{$id}/erase")->assertOk();
        self::assertSame('bounced', Suppressions::why($this->owner->business_id, 'Robin@Example.com'));
        self::assertSame(0, DB::table('people')->where('email', 'like', '%robin%')->count());
    }

    public function test_a_bounce_that_was_a_mistake_can_be_lifted_and_a_complaint_cannot(): void
    {
        $message = $this->letter();
        $this->actingAs($this->owner)->postJson("/studio/api/messages/{$message->id}/feedback", ['what' => 'bounce'])->assertOk();
        $this->postJson("/studio/api/people/{$message->person_id}/lift")->assertOk();
        self::assertNull(Person::query()->sole()->suppressed);
        $this->postJson("/studio/api/messages/{$message->id}/feedback", ['what' => 'complain'])->assertOk();
        $this->postJson("/studio/api/people/{$message->person_id}/lift")->assertUnprocessable();
        self::assertSame('complained', Person::query()->sole()->suppressed);
        self::assertSame(['bounced', 'complained'],
            DB::table('events')->whereIn('type', ['bounced', 'complained'])->orderBy('id')->pluck('type')->all());
    }

    public function test_the_outbox_can_be_told_that_a_reader_complains(): void
    {
        OutboxBehaviour::read(Shape::of(['complaining' => ['robin@example.com']]))->keep();
        $message = $this->letter();

        self::assertSame(['sent', 'complained', 'complained'],
            [$message->state->value, $message->lost_why, Person::query()->sole()->suppressed]);
    }

    public function test_choosing_less_instead_of_none(): void
    {
        $message = $this->letter();
        preg_match('~Unsubscribe: http://localhost(\S+)~', (string) $message->text, $m);
        $this->get($m[1])->assertOk()->assertSee('No more of this series')->assertSee('Nothing for a month')
            ->assertSee('Yes, unsubscribe me');
        $this->post($m[1], ['choose' => 'quiet'])->assertOk()->assertSee('A month of quiet');
        self::assertTrue(Person::query()->sole()->quiet_until?->isFuture());
        $this->post($m[1], ['choose' => 'these'])->assertOk()->assertSee('You will get less');
        self::assertSame([$message->sequence_id], DB::table('opt_outs')->pluck('what')->all());
        self::assertNull(Person::query()->sole()->unsubscribed_at);
        self::assertSame('less', $message->refresh()->lost_why);
        $this->post($m[1], ['choose' => 'back'])->assertOk()->assertSee('As it was');
        self::assertSame([0, null], [DB::table('opt_outs')->count(), Person::query()->sole()->quiet_until]);
        $this->post($m[1], ['choose' => 'all'])->assertOk()->assertSee('Pressed by mistake?');
        self::assertSame('unsubscribed', Person::query()->sole()->subscription()->value);
    }

    public function test_the_outboxs_mood_is_the_owners_to_set(): void
    {
        $this->actingAs($this->owner);
        $this->putJson('/studio/api/messages/mood', ['slowMs' => 99_999])->assertUnprocessable();
        $this->putJson('/studio/api/messages/mood', ['failingUntil' => 'tomorrow'])->assertUnprocessable();
        $this->putJson('/studio/api/messages/mood', ['slowMs' => 20, 'bouncing' => [' A@Example.com ', 'rubbish']])->assertOk()
            ->assertJsonPath('bouncing', ['a@example.com'])->assertJsonPath('isOutbox', true);
        $this->getJson('/studio/api/messages/mood')->assertJsonPath('slowMs', 20);
    }

    public function test_messages_go_out_as_eml_and_mbox_as_they_were_sent(): void
    {
        $message = $this->letter();
        DB::table('outbox')->update(['mime' => DB::raw("mime || char(13) || char(10) || 'From here on' || char(13) || char(10) || '>From "
            ."there'")]);
        $mime = (string) DB::table('outbox')->value('mime');
        $this->actingAs($this->owner);
        self::assertSame($mime, $this->get("/studio/api/messages/{$message->id}/eml")->assertOk()
            ->assertHeader('Content-Type', 'message/rfc822')->getContent());
        $mbox = $this->get('/studio/api/messages/mbox')->assertOk()->streamedContent();
        self::assertMatchesRegularExpression('/^From imke@ferncroft\.example \w{3} \w{3} \d{2} /', $mbox);
        self::assertStringContainsString("\n>From here on\n>>From there\n", $mbox);
        $this->actingAs($this->owner('other@ferncroft.example'))->get("/studio/api/messages/{$message->id}/eml")->assertNotFound();
        self::assertSame('', $this->get('/studio/api/messages/mbox')->streamedContent());
    }

    public function test_a_message_that_failed_can_be_sent_again_by_hand_and_arrives_once(): void
    {
        $message = $this->letter();
        Message::query()->whereKey($message->id)->update(['state' => 'failed', 'trouble' => 'x']);
        $this->actingAs($this->owner)->postJson("/studio/api/messages/{$message->id}/retry")->assertOk()
            ->assertJsonPath('state', 'waiting');
        Artisan::call('lantern:due');
        $this->runQueue();
        self::assertSame(['sent', 1], [$message->refresh()->state->value, DB::table('outbox')->count()],
            'handed over again, it is the same message');
    }

    public function test_a_download_that_was_taken_back_leads_to_the_page_and_not_to_the_studio(): void
    {
        $message = $this->letter();
        DB::table('deliveries')->update(['revoked_at' => now()]);
        $this->get($this->links($message)[0])->assertRedirect($this->funnel->url());
    }

    private function reportsTo(): string
    {
        $url = (string) $this->actingAs($this->owner)->postJson('/studio/api/settings/mail/reports')->assertOk()->json('reports');
        $this->app['auth']->forgetGuards();

        return (string) parse_url($url, PHP_URL_PATH);
    }

    /** @param  string|array<mixed>  $report */
    private function tell(string $path, string|array $report): TestResponse
    {
        return is_array($report) ? $this->postJson($path, $report)
            : $this->call('POST', $path, server: ['CONTENT_TYPE' => 'message/rfc822'], content: $report);
    }

    public function test_an_email_that_comes_back_hours_later_is_counted_once_and_nothing_more_goes_there(): void
    {
        $message = $this->letter();
        $path = $this->reportsTo();
        $report = "Content-Type: multipart/report; boundary=x\r\n\r\n--x\r\nContent-Type: message/delivery-status\r\n\r\n"
            ."Final-Recipient: rfc822; robin@example.com\r\nAction: failed\r\nStatus: 5.1.1\r\nDiagnostic-Code: smtp; 550 gone\r\n"
            ."--x\r\nContent-Type: message/rfc822\r\n\r\nMessage-ID: <{$message->id}@pages.example>\r\n\r\nHello\r\n--x--";
        foreach ([1, 2] as $time) {
            $this->tell($path, $report)->assertOk()->assertJsonPath('taken.bounced', 1)->assertJsonPath('taken.unknown', 0);
        }
        $message->refresh();
        self::assertSame(['sent', 'bounced', '5.1.1 550 gone'], [$message->state->value, $message->lost_why, $message->trouble]);
        self::assertSame('bounced', Person::query()->where('email', 'robin@example.com')->sole()->suppressed);
        self::assertSame(1, DB::table('events')->where('type', 'bounced')->count());
        $this->actingAs(User::query()->findOrFail($this->owner->id))->getJson('/studio/api/settings/mail')
            ->assertJsonPath('reportedAt', fn (?string $at): bool => $at !== null);
    }

    public function test_what_a_provider_tells_by_a_call(): void
    {
        $message = $this->letter();
        $other = $this->letter('zoe@example.com');
        $path = $this->reportsTo();
        $this->tell($path, [['event' => 'failed', 'message' => $message->id, 'why' => '552 5.2.2 full'],
            ['event' => 'complained', 'email' => 'ZOE@example.com'], ['event' => 'bounced', 'email' => 'stranger@example.com'],
            ['event' => 'passing', 'email' => 'robin@example.com']])
            ->assertOk()->assertExactJson(['taken' => ['bounced' => 0, 'failed' => 1, 'complained' => 1, 'passing' => 1, 'unknown' => 1]]);
        self::assertSame('It did not arrive: 552 5.2.2 full', $message->refresh()->trouble);
        self::assertNull(Person::query()->where('email', 'robin@example.com')->sole()->suppressed, 'the next one may arrive');
        self::assertSame('complained', $other->refresh()->lost_why);
        // An address alone means the last email that went there, not one that still waits.
        $first = $this->letter('ada@example.com');
        $waits = Message::query()->create(['business_id' => $this->owner->business_id, 'person_id' => $first->person_id,
            'kind' => 'sequence', 'name' => 'Later', 'state' => 'waiting', 'to_address' => 'ada@example.com', 'unique_key' => 'later',
            'due_at' => now()->addDay()]);
        $this->tell($path, ['event' => 'bounced', 'email' => 'ada@example.com'])->assertJsonPath('taken.bounced', 1);
        self::assertSame([true, false], [$first->refresh()->lost_at !== null, $waits->refresh()->lost_at !== null]);
        // What came back of somebody of another business is not known here.
        $else = $this->owner('else@example.com')->business_id;
        $theirs = Message::query()->create(['business_id' => $else, 'kind' => 'test', 'name' => 'T', 'state' => 'sent',
            'to_address' => 'x@example.com', 'unique_key' => 'x', 'due_at' => now()]);
        $this->tell($path, ['event' => 'bounced', 'message' => $theirs->id])->assertJsonPath('taken.unknown', 1);
        self::assertNull($theirs->refresh()->lost_at);
    }

    public function test_only_who_knows_the_address_reports_and_only_what_can_be_read(): void
    {
        $message = $this->letter();
        $this->actingAs($this->owner)->getJson('/studio/api/settings/mail')->assertOk()->assertJsonPath('reports', null);
        $path = $this->reportsTo();
        $told = ['event' => 'bounced', 'message' => $message->id];
        $wrong = [substr($path, 0, -1).'!', str_replace('/1/', '/999999999999999999/', $path), substr($path, 0, -40).str_repeat('a', 40)];
        foreach ($wrong as $no) {
            $this->tell($no, $told)->assertNotFound();
        }
        foreach (['{', '7', 'null', '[[]]', '{"event":"bounced"}', '{"event":{},"email":"a@b.example"}',
            json_encode(array_fill(0, 1001, $told), JSON_THROW_ON_ERROR)] as $broken) {
            $json = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];
            $this->call('POST', $path, server: $json, content: $broken)->assertStatus(422);
        }
        $this->tell($path, '')->assertStatus(422);
        $this->tell($path, str_repeat('x', ReturnedMail::MOST + 1))->assertStatus(413);
        $this->tell($path, random_bytes(2000))->assertOk()->assertJsonPath('taken.bounced', 0);
        self::assertNull($message->refresh()->lost_at);

        $renewed = $this->reportsTo();
        self::assertNotSame($path, $renewed);
        $this->tell($path, $told)->assertNotFound();
        $this->tell($renewed, $told)->assertOk();
        self::assertNotNull($message->refresh()->lost_at);
        self::assertStringNotContainsString(basename($renewed), (string) json_encode(DB::table('businesses')->get()), 'kept encrypted');
    }
}
