<?php

declare(strict_types=1);

namespace Tests\Feature\Forms;

use App\Forms\Confirmations;
use App\Models\Confirmation;
use App\Models\Delivery;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Publishing\Publishing;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageKind;
use Tests\Drafts\Form;
use Tests\Drafts\Sequence;
use Tests\TestCase;

/** An address that must be confirmed: nothing follows before it is. */
final class DoubleOptInTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private function asking(array $more = []): Funnel
    {
        $funnel = $this->draft();
        $form = Form::query()->sole();
        $form->forceFill(['definition' => $more + ['doubleOptIn' => true] + $form->definition])->save();
        app(Publishing::class)->publish($funnel, null);

        return $funnel->refresh();
    }

    private function link(): string
    {
        $this->runQueue();
        $text = (string) Message::query()->where('kind', 'confirm')->latest('created_at')->orderByDesc('id')->firstOrFail()->text;
        self::assertSame(1, preg_match('~http://localhost(/c/[^\s]+)~', $text, $m));

        return $m[1];
    }

    public function test_nothing_but_the_question_is_sent_before_the_answer(): void
    {
        $funnel = $this->asking();
        $this->join($funnel, ['first_name' => 'Robin', 'email' => 'robin@example.com'])->assertStatus(303)
            ->assertRedirectContains('/c/wait/');

        self::assertSame([MessageKind::Confirmation], Message::query()->pluck('kind')->all());
        self::assertSame(0, Delivery::query()->count() + DB::table('person_tag')->count() + DB::table('enrolments')->count());
        self::assertSame(['waiting', 'unconfirmed', ['asked']],
            [Submission::query()->sole()->state->value, Person::query()->sole()->subscription()->value,
                DB::table('events')->pluck('type')->all()]);
        self::assertSame(0, (int) DB::table('counts')->where('slice', '')->where('measure', 'signups')->sum('how_many'),
            'who has not confirmed has not joined');

        $link = $this->link();
        $this->get($link)->assertOk()->assertSee('Is this your address?')->assertSee('robin@example.com');
        self::assertSame('waiting', Submission::query()->sole()->state->value, 'opening the link only asks');
        $this->post($link)->assertStatus(303)->assertRedirect($funnel->url('thank-you'))->assertCookie('lantern_joined');

        $submission = Submission::query()->sole();
        self::assertSame(['taken', '127.0.0.1', 'subscribed'],
            [$submission->state->value, $submission->confirmed_ip, Person::query()->sole()->subscription()->value]);
        self::assertSame([1, 1, 1], [Delivery::query()->count(), DB::table('person_tag')->count(), DB::table('enrolments')->count()]);
        self::assertSame(['asked', 'confirmed', 'joined'], DB::table('events')->orderBy('id')->pluck('type')->all());
        self::assertSame(1, (int) DB::table('counts')->where('slice', '')->where('measure', 'signups')->sum('how_many'));
        $this->runQueue();
        self::assertSame('sent', Message::query()->where('kind', 'sequence')->sole()->state->value);
    }

    public function test_a_sequence_may_begin_with_the_confirmation_and_does_not_before(): void
    {
        $funnel = $this->asking();
        Sequence::query()->where('funnel_id', $funnel->id)->sole()->forceFill(['definition' => ['starts' => [['kind' => 'confirmed',
            'form' => Form::query()->sole()->id]], 'ends' => []]])->save();
        app(Publishing::class)->publish($funnel->refresh(), null);
        $funnel->refresh();
        $this->join($funnel, ['first_name' => 'Robin', 'email' => 'robin@example.com']);
        $link = $this->link();
        self::assertSame(0, DB::table('enrolments')->count());
        $this->post($link)->assertStatus(303);
        $this->post($link);

        self::assertSame([1, 1], [DB::table('enrolments')->count(), Message::query()->where('kind', 'sequence')->count()]);
    }

    public function test_a_link_works_once(): void
    {
        $this->join($this->asking(), ['email' => 'robin@example.com']);
        $link = $this->link();
        $this->post($link)->assertStatus(303);
        $this->post($link)->assertOk()->assertSee('confirmed already');
        $this->get($link)->assertOk()->assertSee('confirmed already');

        self::assertSame(1, DB::table('events')->where('type', 'joined')->count());
        self::assertSame(1, Message::query()->where('kind', 'sequence')->count());
    }

    public function test_a_link_runs_out_and_a_new_one_comes_on_request(): void
    {
        $this->join($this->asking(), ['email' => 'robin@example.com']);
        $link = $this->link();
        $this->travel(73)->hours();
        $html = (string) $this->get($link)->assertOk()->assertSee('has run out')->getContent();
        $this->post($link)->assertOk()->assertSee('has run out');
        self::assertSame('waiting', Submission::query()->sole()->state->value);

        self::assertSame(1, preg_match('~action="http://localhost(/c/wait/[^"]+)"~', $html, $m));
        $this->post($m[1])->assertOk()->assertSee('It is sent once more');
        $newer = $this->link();
        self::assertNotSame($link, $newer);
        $this->post($newer)->assertStatus(303);
        self::assertSame('taken', Submission::query()->sole()->state->value);
    }

    public function test_sending_again_is_not_for_flooding_a_mailbox(): void
    {
        $this->join($this->asking(), ['email' => 'robin@example.com']);
        $again = substr(Confirmations::waitingLink(Submission::query()->sole()), strlen('http://localhost'));
        $this->post($again)->assertOk()->assertSee('a moment ago');
        self::assertSame(1, Confirmation::query()->count());
        for ($i = 0; $i < 8; $i++) {
            $this->travel(61 * 10)->seconds();
            $this->post($again)->assertOk();
        }
        self::assertSame(Confirmations::MOST, Confirmation::query()->count());
    }

    public function test_a_forged_link_is_none(): void
    {
        $this->join($this->asking(), ['email' => 'robin@example.com']);
        $link = $this->link();
        foreach ([substr($link, 0, -1).(str_ends_with($link, '0') ? '1' : '0'), str_replace('/c/', '/c/wait/', $link),
            '/c/'.str_repeat('0', 26).'/'.str_repeat('a', 32)] as $forged) {
            $this->post($forged)->assertNotFound();
            $this->get($forged)->assertNotFound();
        }
        self::assertSame('waiting', Submission::query()->sole()->state->value);
    }

    public function test_a_stranger_changes_nothing_about_somebody_who_is_known_and_learns_nothing(): void
    {
        $single = $this->live();
        $this->join($single, ['first_name' => 'Robin', 'email' => 'robin@example.com']);
        $before = DB::table('people')->get(['first_name', 'timezone', 'pending', 'unsubscribed_at', 'marketing'])->all();
        $form = Form::query()->sole();
        $form->forceFill(['definition' => ['doubleOptIn' => true] + $form->definition])->save();
        app(Publishing::class)->publish($single->refresh(), null);
        $known = $this->join($single, ['first_name' => 'Somebody else', 'email' => 'ROBIN@example.com', 'zone' => 'Asia/Tokyo']);
        $unknown = $this->join($single, ['first_name' => 'Kim', 'email' => 'kim@example.com']);

        self::assertSame($known->getStatusCode(), $unknown->getStatusCode());
        foreach ([$known, $unknown] as $answer) {
            self::assertStringContainsString('/c/wait/', (string) $answer->headers->get('Location'));
        }
        self::assertEquals($before, DB::table('people')->where('email_key', 'robin@example.com')
            ->get(['first_name', 'timezone', 'pending', 'unsubscribed_at', 'marketing'])->all());
    }

    public function test_the_text_is_the_owners_own(): void
    {
        $funnel = $this->asking(['confirm' => ['title' => 'Nearly there, {{first_name|you}}', 'subject' => 'Press once, {{first_name|you}}',
            'body' => '<p>From {{business}}:</p>', 'button' => 'It is me']]);
        $form = $this->form($funnel);
        $this->followingRedirects()->post('/'.$funnel->address, ['first_name' => '<b>Robin</b>', 'email' => 'robin@example.com'] + $form)
            ->assertOk()->assertSee('Nearly there, <b>Robin</b>')->assertDontSee('<b>Robin', false)->assertSee('Send it again');
        $link = $this->link();
        $message = Message::query()->where('kind', 'confirm')->sole();
        self::assertSame('Press once, <b>Robin</b>', $message->subject);
        self::assertStringContainsString('From Ferncroft Cello Room:', (string) $message->text);
        $this->get($link)->assertSee('It is me');
    }

    public function test_whoever_had_left_comes_back_only_by_confirming(): void
    {
        $funnel = $this->asking();
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->post($this->link());
        Person::query()->sole()->forceFill(['unsubscribed_at' => now()])->save();
        $this->travel(1)->days();
        $this->join($funnel, ['email' => 'robin@example.com']);
        self::assertNotNull(Person::query()->sole()->unsubscribed_at);
        $this->post($this->link())->assertStatus(303);
        self::assertNull(Person::query()->sole()->unsubscribed_at);
    }

    public function test_a_link_whose_press_breaks_off_works_the_next_time(): void
    {
        $this->join($this->asking(), ['first_name' => 'Robin', 'email' => 'robin@example.com']);
        $link = $this->link();
        DB::statement("create trigger full before insert on deliveries begin select raise(abort, 'the disk is full'); end");
        $this->post($link)->assertStatus(500);
        self::assertSame(['waiting', null], [Submission::query()->sole()->state->value, Confirmation::query()->sole()->used_at]);
        DB::statement('drop trigger full');
        $this->post($link)->assertStatus(303);
        self::assertSame('taken', Submission::query()->sole()->state->value);
    }
}
