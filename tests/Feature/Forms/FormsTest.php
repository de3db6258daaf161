<?php

declare(strict_types=1);

namespace Tests\Feature\Forms;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\HookCall;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Models\User;
use App\Publishing\Publishing;
use App\Webhooks\Webhooks;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Form;
use Tests\TestCase;

/** Forms with every kind of field, in one step or two, here or on other web sites, and what follows. */
final class FormsTest extends TestCase
{
    private User $owner;

    private const FIELDS = [
        ['kind' => 'email', 'label' => 'Email address', 'required' => true],
        ['kind' => 'choice', 'name' => 'level', 'label' => 'Level', 'required' => true,
            'options' => ['Beginner', 'Some years', '<b>Pro</b>'], 'keep' => true],
        ['kind' => 'choices', 'name' => 'likes', 'label' => 'Likes', 'required' => false, 'options' => ['Bach', 'Folk, and more', 'Jazz'],
            'keep' => true],
        ['kind' => 'number', 'name' => 'years', 'label' => 'Years', 'required' => false, 'keep' => true],
        ['kind' => 'date', 'name' => 'since', 'label' => 'Since', 'required' => false],
        ['kind' => 'long_text', 'name' => 'story', 'label' => 'Story', 'required' => false],
        ['kind' => 'consent', 'name' => 'phone_ok', 'label' => 'You may ring me', 'required' => false],
        ['kind' => 'hidden', 'name' => 'campaign', 'label' => 'Campaign', 'required' => false, 'parameter' => 'camp', 'preset' => 'none',
            'keep' => true],
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
    }

    /** @param  array<string, mixed>  $definition */
    private function with(array $definition): Funnel
    {
        $funnel = $this->draft($this->owner);
        $form = Form::query()->sole();
        $form->forceFill(['definition' => $definition + $form->definition])->save();
        app(Publishing::class)->publish($funnel, null);

        return $funnel->refresh();
    }

    public function test_every_kind_of_field_is_asked_kept_and_known_of_the_person(): void
    {
        $funnel = $this->with(['fields' => self::FIELDS, 'marketing' => 'News now and then, too.']);
        $this->get("/{$funnel->address}")->assertOk()->assertSee('type="radio" name="level" value="Beginner"', false)
            ->assertSee('name="likes[]" value="Folk, and more"', false)
            ->assertSee('&lt;b&gt;Pro&lt;/b&gt;', false)->assertSee('<textarea', false)->assertDontSee('name="campaign"', false);
        $html = (string) $this->get("/{$funnel->address}?camp=podcast&utm_source=x")->getContent();
        self::assertStringContainsString('name="source" value="utm_source=x&amp;camp=podcast"', $html);
        $this->post("/{$funnel->address}", ['email' => 'robin@example.com', 'level' => 'Some years', 'likes' => ['Jazz', 'Bach'],
            'years' => '3,5', 'since' => '2024-02-29', 'story' => " One\r\n\r\n\r\n\r\ntwo\x07 ",
            'phone_ok' => 'yes', 'campaign' => 'forged', 'marketing' => 'yes', 'source' => 'utm_source=x&camp=podcast']
            + $this->form($funnel))->assertStatus(303);

        $submission = Submission::query()->sole();
        self::assertSame(['email' => 'robin@example.com', 'level' => 'Some years', 'likes' => "Bach\nJazz", 'years' => '3.5',
            'since' => '2024-02-29', 'story' => "One\n\ntwo", 'phone_ok' => 'yes', 'campaign' => 'podcast'], $submission->answers);
        self::assertSame([true, 'News now and then, too.'], [$submission->marketing, $submission->marketing_words]);
        self::assertSame([['campaign', 'podcast'], ['level', 'Some years'], ['likes', 'Bach'], ['likes', 'Jazz'], ['years', '3.5']],
            DB::table('person_values')->orderBy('name')->orderBy('value')->get(['name', 'value'])
                ->map(fn ($v): array => array_values((array) $v))->all());
        self::assertSame(['campaign' => 'hidden', 'level' => 'choice', 'likes' => 'choices', 'years' => 'number'],
            DB::table('own_fields')->orderBy('name')->pluck('kind', 'name')->all());
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrongAnswers(): iterable
    {
        yield 'nothing chosen' => [['level' => ''], 'level', 'Please choose: Level.'];
        yield 'something that was no choice' => [['level' => 'Genius'], 'level', 'Please choose one of the answers'];
        yield 'a list where one was asked for' => [['level' => ['Beginner']], 'level', 'Please choose: Level.'];
        yield 'a choice that was none among several' => [['likes' => ['Bach', 'Noise']], 'likes', 'choose from the answers'];
        yield 'a number that is none' => [['years' => '3e5x'], 'years', 'needs a number'];
        yield 'a day there is not' => [['since' => '2026-02-29'], 'since', 'not a day there is'];
        yield 'a story without an end' => [['story' => str_repeat('ö', 4001)], 'story', '4,000 characters at most'];
    }

    /** @param  array<string, mixed>  $answers */
    #[DataProvider('wrongAnswers')]
    public function test_a_wrong_answer_gets_one_sentence_and_keeps_the_rest(array $answers, string $field, string $sentence): void
    {
        $funnel = $this->with(['fields' => self::FIELDS]);
        $html = (string) $this->post("/{$funnel->address}",
            $answers + ['email' => 'robin@example.com', 'level' => 'Beginner', 'likes' => ['Jazz'], 'years' => '4'] + $this->form($funnel))
            ->assertStatus(422)->assertSee($sentence)->getContent();

        self::assertStringContainsString('id="e-'.$field.'"', $html);
        self::assertStringContainsString('value="robin@example.com"', $html);
        if (! isset($answers['likes'])) {
            self::assertMatchesRegularExpression('~value="Jazz" checked~', $html);
        }
        self::assertSame(0, Submission::query()->count() + Person::query()->count());
    }

    public function test_two_steps_take_the_address_first_and_the_rest_after(): void
    {
        $fields = self::FIELDS;
        $fields[1]['step'] = $fields[3]['step'] = 2;
        $funnel = $this->with(['fields' => $fields, 'nextButton' => 'Go on']);
        $this->get("/{$funnel->address}")->assertSee('Go on')->assertSee('form step-2', false);
        $first = $this->join($funnel, ['email' => 'robin@example.com', 'step' => ''])->assertStatus(303)
            ->assertRedirect($funnel->url().'?step=2');
        self::assertSame(1, Person::query()->count(), 'whoever stops here is on the list');
        $cookie = $first->getCookie('lantern_joined', false)->getValue();
        $this->withUnencryptedCookie('lantern_joined', $cookie);
        $this->get("/{$funnel->address}?step=2")->assertOk()->assertSee('form-steps at-2', false);
        $this->post("/{$funnel->address}", ['step' => '2', 'level' => ''] + $this->form($funnel))->assertStatus(422)
            ->assertSee('form-steps at-2', false)->assertSee('Please choose: Level.');
        $this->post("/{$funnel->address}", ['step' => '2', 'level' => 'Beginner', 'years' => '2'] + $this->form($funnel))->assertStatus(303)
            ->assertRedirect($funnel->url('thank-you'));

        self::assertSame(['Beginner', '2', 'robin@example.com'],
            [Submission::query()->sole()->answers['level'], Submission::query()->sole()->answers['years'],
                Submission::query()->sole()->answers['email']]);
        self::assertSame(2, DB::table('person_values')->whereIn('name', ['level', 'years'])->count());
        // Nobody else's answers can be added to.
        $this->unencryptedCookies = [];
        $this->post("/{$funnel->address}", ['step' => '2', 'level' => '<b>Pro</b>'] + $this->form($funnel))->assertRedirect($funnel->url());
        self::assertSame('Beginner', Submission::query()->sole()->answers['level']);
    }

    public function test_marketing_is_a_box_of_its_own_that_nobody_must_tick(): void
    {
        $funnel = $this->with(['marketing' => 'News now and then, too.']);
        $this->get("/{$funnel->address}")->assertSee('News now and then, too.')
            ->assertDontSee('name="marketing" value="yes" checked', false);
        $this->join($funnel, ['email' => 'no@example.com']);
        $this->join($funnel, ['email' => 'yes@example.com', 'marketing' => 'yes']);
        $this->join($funnel, ['email' => 'yes@example.com']);

        self::assertSame(['no@example.com' => 'no-marketing', 'yes@example.com' => 'subscribed'],
            Person::query()->orderBy('email')->get()->mapWithKeys(fn (Person $p): array => [$p->email => $p->subscription()->value])->all(),
            'agreeing once holds until it is taken back');
        self::assertSame([false, true, false],
            Submission::query()->orderBy('submitted_at')->get()->map(fn (Submission $s): ?bool => $s->marketing)->all());
    }

    public function test_the_owner_is_told_at_once_with_nothing_that_could_do_harm(): void
    {
        $this->join($this->with(['notice' => 'at-once']),
            ['first_name' => "<b>Robin</b> {{email}}\r\nBcc: all@example.com", 'email' => 'robin@example.com']);
        $this->runQueue();
        $notice = Message::query()->where('kind', 'notice')->sole();

        self::assertSame(['sent', 'imke@ferncroft.example', null], [$notice->state->value, $notice->to_address, $notice->person_id]);
        self::assertSame('New: <b>Robin</b> { {email}} Bcc: all@example.com', $notice->subject);
        self::assertStringNotContainsString('<b>Robin', (string) $notice->html);
        $mime = (string) DB::table('outbox')->where('message_id', $notice->id)->value('mime');
        self::assertStringNotContainsString('List-Unsubscribe', $mime);
        self::assertDoesNotMatchRegularExpression('/^Bcc:/m', $mime);
    }

    public function test_the_owner_is_told_once_a_day_of_everybody_since_the_last_time(): void
    {
        $this->travelTo('2026-06-01 05:30:00'); // 07:30 in Berlin
        $funnel = $this->with(['notice' => 'daily']);
        $this->join($funnel, ['email' => 'a@example.com']);
        Artisan::call('lantern:due');
        self::assertSame(0, Message::query()->where('kind', 'notice')->count(), 'not before eight');
        $this->travelTo('2026-06-01 06:00:10');
        Artisan::call('lantern:due');
        Artisan::call('lantern:due');
        $this->join($funnel, ['email' => 'b@example.com']);
        $this->join($funnel, ['email' => 'c@example.com']);
        $this->travelTo('2026-06-03 06:10:00'); // nothing ran for a day
        Artisan::call('lantern:due');
        $this->runQueue();

        $subjects = Message::query()->where('kind', 'notice')->orderBy('due_at')->pluck('subject')->all();
        self::assertSame(['One new person', '2 new people'], $subjects);
    }

    public function test_a_webhook_is_signed_and_tells_what_was_filled_in(): void
    {
        Http::fake(['*' => Http::response('thanks', 200)]);
        $this->join($this->with(['hook' => 'https://hooks.ferncroft.example/in?x=1']),
            ['first_name' => 'Zoë', 'email' => 'zoe@example.com', 'source' => 'utm_source=podcast']);
        $this->runQueue();

        $call = HookCall::query()->sole();
        self::assertSame(['done', 200, 'thanks', 1], [$call->state->value, $call->status, $call->answer, $call->attempts]);
        $secret = Webhooks::secret(Business::query()->sole());
        Http::assertSent(function (Request $r) use ($secret, $call): bool {
            self::assertSame(1, preg_match('/^t=(\d+),v1=([0-9a-f]{64})$/', $r->header('Lantern-Signature')[0], $m));

            return hash_equals(hash_hmac('sha256', "{$m[1]}.{$r->body()}", $secret), $m[2])
                && $r->url() === 'https://hooks.ferncroft.example/in?x=1' && $r->header('Lantern-Call')[0] === $call->id
                && $r['person']['firstName'] === 'Zoë' && $r['answers']['email'] === 'zoe@example.com'
                && $r['source']['utm_source'] === 'podcast' && str_contains($r['consent']['words'], 'Yes, email me');
        });
        self::assertStringNotContainsString($secret, (string) DB::table('businesses')->value('hook_secret'),
            'the secret is not stored as it is');
    }

    public function test_a_draft_refuses_an_address_that_is_never_called(): void
    {
        $this->draft($this->owner);
        $this->actingAs($this->owner);
        $form = Form::query()->sole();
        $put = fn (string $hook): TestResponse => $this->putJson("/studio/api/parts/{$form->id}", ['hook' => $hook,
            'revision' => $form->refresh()->revision]);
        foreach (['https://127.0.0.1/x', 'https://localhost/x', 'https://[::1]/x', 'https://10.1.2.3/', 'https://169.254.169.254/latest',
            'https://2130706433/', 'https://0x7f.1/', 'https://127.1/', 'https://router.local/', 'https://db.internal:8443/x',
            'https://intranet/', 'https://[::ffff:192.168.0.1]/', 'https://localhost./x'] as $hook) {
            $put($hook)->assertUnprocessable()
                ->assertJsonPath('errors.hook.0', fn (string $why): bool => str_contains($why, 'private network'));
        }
        foreach (['https://hooks.ferncroft.example/in', 'https://11.22.33.44/in', ''] as $hook) {
            $put($hook)->assertOk();
        }
        config(['lantern.outgoing.allow' => ['127.0.0.1:8080']]);
        $put('http://127.0.0.1:8080/in')->assertOk();
        $put('http://127.0.0.1:8081/in')->assertUnprocessable();
    }

    public function test_a_webhook_is_tried_again_and_again_and_can_be_called_once_more_by_hand(): void
    {
        $this->travelTo('2026-06-01 08:00:00');
        Http::fake(['*' => Http::response(str_repeat('ä', 600), 503)]);
        $this->join($this->with(['hook' => 'https://hooks.ferncroft.example/in']), ['email' => 'zoe@example.com']);
        $waits = [];
        for ($i = 0; $i < 9; $i++) {
            app(Webhooks::class)->make(HookCall::query()->firstOrFail()->id);
            app(Webhooks::class)->make(HookCall::query()->firstOrFail()->id);
            $call = HookCall::query()->firstOrFail();
            $waits[] = $call->state->value === 'waiting' ? (int) round(now()->diffInMinutes($call->due_at)) : $call->state->value;
            $this->travelTo($call->due_at->addSecond());
        }
        self::assertSame([1, 5, 30, 120, 600, 1440, 'failed', 'failed', 'failed'], $waits);
        self::assertTrue(mb_check_encoding((string) HookCall::query()->sole()->answer, 'UTF-8'));

        Http::swap(new \Illuminate\Http\Client\Factory);
        Http::fake(['*' => Http::response('', 204)]);
        $this->actingAs($this->owner)->postJson('/studio/api/hooks/'.HookCall::query()->sole()->id.'/replay')->assertCreated();
        $this->runQueue();
        self::assertSame(['done' => 1, 'failed' => 1], HookCall::query()->pluck('state')->countBy()->sortKeys()->all());
        self::assertSame(1, HookCall::query()->distinct()->count('payload'), 'the same words once more');
        $this->actingAs($this->owner('other@ferncroft.example'))
            ->postJson('/studio/api/hooks/'.HookCall::query()->firstOrFail()->id.'/replay')->assertNotFound();
        $this->getJson('/studio/api/hooks')->assertJsonPath('total', 0);
    }

    public function test_a_form_on_another_web_site_takes_people_in_across_origins(): void
    {
        $funnel = $this->with(['done' => "Thank you.\nLook in your inbox."]);
        $id = Form::query()->sole()->id;
        $script = (string) $this->get("/e/{$id}.js")->assertOk()->assertHeader('Access-Control-Allow-Origin', '*')
            ->assertHeader('Content-Type', 'text/javascript; charset=utf-8')->getContent();
        self::assertStringContainsString('attachShadow', $script);
        self::assertStringNotContainsString('</script', $script);
        $this->options("/e/{$id}")->assertNoContent()->assertHeader('Access-Control-Allow-Origin', '*');
        $token = $this->getJson("/e/{$id}/token")->assertOk()->json('token');
        $this->travel(5)->seconds();
        $this->post("/e/{$id}", ['email' => 'robin@', 'token' => $token])->assertStatus(422)
            ->assertJsonPath('errors.email', fn (string $e): bool => str_contains($e, 'does not look'))
            ->assertHeader('Access-Control-Allow-Origin', '*');
        $this->post("/e/{$id}", ['email' => 'robin@example.com', 'token' => 'forged'])->assertStatus(422)
            ->assertJsonPath('token', fn (string $t): bool => $t !== '');
        $this->withHeaders(['Origin' => 'https://blog.ferncroft.example'])
            ->post("/e/{$id}", ['email' => 'robin@example.com', 'token' => $token, 'zone' => 'Europe/Paris'])
            ->assertOk()->assertJsonPath('done', "Thank you.\nLook in your inbox.")->assertCookieMissing('lantern_joined');

        self::assertSame(['Europe/Paris', 'blog.ferncroft.example'],
            [Person::query()->sole()->timezone, Submission::query()->sole()->source['ref'] ?? '']);
        $funnel->forceFill(['state' => 'closed'])->save();
        $this->post("/e/{$id}", ['email' => 'kim@example.com', 'token' => $token])->assertNotFound();
        self::assertStringContainsString('not open', (string) $this->get("/e/{$id}.js")->assertOk()->getContent());
        self::assertSame(1, Submission::query()->count());
    }

    public function test_from_another_web_site_one_comes_to_the_thank_you_page_and_is_known_there(): void
    {
        $funnel = $this->with([]);
        $id = Form::query()->sole()->id;
        $token = $this->getJson("/e/{$id}/token")->json('token');
        $this->travel(5)->seconds();
        $go = $this->post("/e/{$id}", ['first_name' => 'Robin', 'email' => 'robin@example.com', 'token' => $token])->assertOk()->json('go');
        $path = substr((string) $go, strlen('http://localhost'));
        $this->get($path)->assertStatus(303)->assertRedirect($funnel->url('thank-you'))->assertCookie('lantern_joined');
        $this->get(substr($path, 0, -1).(str_ends_with($path, '0') ? '1' : '0'))->assertNotFound();
        $this->travel(2)->hours();
        $this->get($path)->assertNotFound();
    }

    public function test_submissions_are_listed_filtered_and_removed(): void
    {
        $funnel = $this->with(['fields' => self::FIELDS]);
        $this->travelTo('2026-06-01 21:30:00'); // 23:30 in Berlin
        $this->join($funnel, ['email' => 'robin@example.com', 'level' => 'Beginner', 'story' => '=cmd|calc']);
        $this->travelTo('2026-06-01 22:30:00'); // the next day there
        $this->join($funnel, ['email' => 'kim@example.com', 'level' => 'Some years', 'likes' => ['Bach', 'Jazz']]);
        $this->actingAs($this->owner);

        $this->getJson('/studio/api/submissions')->assertOk()->assertJsonPath('total', 2)
            ->assertJsonPath('submissions.0.person.name', 'kim@example.com')->assertJsonPath('submissions.0.answers.2.value', 'Bach, Jazz');
        $this->getJson('/studio/api/submissions?until=2026-06-01')->assertJsonPath('total', 1)
            ->assertJsonPath('submissions.0.person.name', 'robin@example.com');
        $this->getJson('/studio/api/submissions?from=2026-06-02&until=2026-06-02')->assertJsonPath('total', 1);
        $this->getJson('/studio/api/submissions?search=some YEARS')->assertJsonPath('total', 1);
        $this->getJson('/studio/api/submissions?form='.str_repeat('0', 26))->assertJsonPath('total', 0);
        $csv = $this->get('/studio/api/submissions/export')->assertOk()->streamedContent();
        self::assertStringContainsString("'=cmd|calc", $csv);
        self::assertStringContainsString('Bach; Jazz', $csv);
        self::assertSame(3, substr_count($csv, "\r\n"));
        $this->actingAs($this->owner('other@ferncroft.example'))->getJson('/studio/api/submissions')->assertJsonPath('total', 0);
    }

    public function test_an_address_that_answers_slowly_holds_up_neither_mail_nor_the_queue(): void
    {
        $this->travelTo('2026-06-01 08:00:00');
        Http::fake(['*' => Http::response('', 204)]);
        $funnel = $this->with(['hook' => 'https://hooks.ferncroft.example/in']);
        foreach (['a', 'b', 'c'] as $who) {
            $this->join($funnel, ['email' => "{$who}@example.com"]);
        }
        $jobs = fn (string $queue): int => DB::table('jobs')->where('queue', $queue)->count();
        self::assertSame([3, 3], [$jobs('default'), $jobs('outside')]);
        // Nobody comes to them for a while: they are not queued again and again.
        for ($i = 0; $i < 5; $i++) {
            $this->travel(20)->seconds();
            Artisan::call('lantern:due');
        }
        self::assertSame(3, $jobs('outside'));
        Artisan::call('queue:work', ['--queue' => 'default', '--stop-when-empty' => true, '--sleep' => 0, '--quiet' => true,
            '--memory' => 4096]);
        self::assertSame([3, 3],
            [Message::query()->where('state', 'sent')->count(), HookCall::query()->where('state', 'waiting')->count()]);
        // The worker that had them died: after an hour they are queued once more.
        DB::table('jobs')->delete();
        $this->travel(61)->minutes();
        Artisan::call('lantern:due');
        $this->runQueue();
        self::assertSame(3, HookCall::query()->where('state', 'done')->count());
        Http::assertSentCount(3);
    }
}
