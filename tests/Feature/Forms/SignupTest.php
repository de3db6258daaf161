<?php

declare(strict_types=1);

namespace Tests\Feature\Forms;

use App\Models\Delivery;
use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SignupTest extends TestCase
{
    public function test_a_stranger_becomes_a_person_with_consent_tag_file_and_welcome_email(): void
    {
        $funnel = $this->live();

        $this->join($funnel, ['first_name' => 'Robin', 'email' => 'Robin.Ash@Example.com', 'zone' => 'America/New_York',
            'source' => 'utm_source=newsletter'])
            ->assertStatus(303)->assertRedirect($funnel->url('thank-you'));

        $person = Person::query()->with('tags')->sole();
        self::assertSame(['Robin', 'Robin.Ash@Example.com', 'robin.ash@example.com', 'America/New_York'],
            [$person->first_name, $person->email, $person->email_key, $person->timezone]);
        self::assertSame(['The Twelve-Minute Practice Plan'], $person->tags->pluck('name')->all());
        $submission = Submission::query()->sole();
        self::assertStringContainsString('Yes, email me this', $submission->consent_words);
        self::assertTrue($submission->consented);
        self::assertSame(['utm_source' => 'newsletter'], $submission->source);
        self::assertSame($person->id, Delivery::query()->sole()->person_id);
        self::assertSame('waiting', $this->message('Robin.Ash@Example.com')->state->value);
        self::assertSame('joined', DB::table('events')->sole()->type);

        $this->runQueue();

        $message = $this->message('Robin.Ash@Example.com');
        self::assertSame('sent', $message->state->value);
        self::assertStringContainsString('Hello Robin', (string) $message->text);
        self::assertSame(1, DB::table('outbox')->where('message_id', $message->id)->count());
    }

    public function test_the_thank_you_page_greets_this_browser_and_hands_over_the_file(): void
    {
        $funnel = $this->live();
        $response = $this->join($funnel, ['first_name' => '<b>Robin</b>', 'email' => 'robin@example.com']);

        $html = (string) $this->withUnencryptedCookie('lantern_joined', $response->getCookie('lantern_joined', false)->getValue())
            ->get('/'.$funnel->address.'/thank-you')->assertOk()->assertSee('It is yours, <b>Robin</b>.')->getContent();
        self::assertSame(1, preg_match('~href="(/s/[^"]+)" download~', $html, $m));
        $this->get(html_entity_decode($m[1]))->assertOk()->assertHeader('content-type', 'application/pdf');
    }

    public function test_a_stranger_on_the_thank_you_page_is_shown_the_way_to_the_form(): void
    {
        $funnel = $this->live();

        $this->get('/'.$funnel->address.'/thank-you')->assertOk()->assertSee('It is yours, friend.')
            ->assertSee('Tell me where to send it')->assertDontSee('/s/', false)->assertDontSee('download>', false);
    }

    public function test_the_same_address_again_is_one_person_two_submissions_and_one_sequence(): void
    {
        $funnel = $this->live();
        $this->join($funnel, ['email' => 'robin@example.com']);
        $this->join($funnel, ['first_name' => 'Robin', 'email' => ' ROBIN@EXAMPLE.COM ']);
        $this->runQueue();

        self::assertSame('Robin', Person::query()->sole()->first_name);
        self::assertSame(2, Submission::query()->count());
        self::assertSame(1, Message::query()->count());
        self::assertSame(1, Delivery::query()->count());
        self::assertSame(1, DB::table('person_tag')->count());
        self::assertSame(1, (int) DB::table('counts')->where('slice', '')->where('measure', 'signups')->sum('how_many'));
    }

    public function test_a_double_click_is_one_submission(): void
    {
        $funnel = $this->live();
        $form = ['email' => 'robin@example.com'] + $this->form($funnel);

        $this->post('/'.$funnel->address, $form)->assertRedirect($funnel->url('thank-you'));
        $this->post('/'.$funnel->address, $form)->assertRedirect($funnel->url('thank-you'));

        self::assertSame(1, Submission::query()->count());
        self::assertSame(1, DB::table('events')->count());
    }

    public function test_who_goes_back_and_corrects_their_address_joins_with_the_right_one(): void
    {
        $funnel = $this->live();
        $form = $this->form($funnel);
        $this->post('/'.$funnel->address, ['email' => 'robin@exmaple.example'] + $form)->assertRedirect($funnel->url('thank-you'));
        $this->post('/'.$funnel->address, ['email' => 'robin@example.com'] + $form)->assertRedirect($funnel->url('thank-you'));
        $this->post('/'.$funnel->address, ['email' => 'Robin@example.com'] + $form)->assertRedirect($funnel->url('thank-you'));

        self::assertSame(['robin@exmaple.example', 'robin@example.com'], Person::query()->orderBy('id')->pluck('email')->all());
        self::assertSame(2, Submission::query()->count());
    }

    /** @return iterable<string, array{string, string}> */
    public static function badAddresses(): iterable
    {
        yield 'nothing' => ['', 'Please fill in your email address.'];
        yield 'no host' => ['robin', 'does not look like an email address'];
        yield 'no dot' => ['robin@localhost', 'does not look like an email address'];
        yield 'a second line' => ["robin@example.com\nBcc: all@example.com", 'does not look like an email address'];
        yield 'script' => ['<script>alert(1)</script>@example.com', 'does not look like an email address'];
    }

    #[DataProvider('badAddresses')]
    public function test_a_bad_address_gets_one_sentence_keeps_what_was_typed_and_stores_nothing(string $address, string $sentence): void
    {
        $funnel = $this->live();

        $html = (string) $this->join($funnel, ['first_name' => 'Robin "R" Ash', 'email' => $address])
            ->assertStatus(422)->assertSee($sentence)->getContent();

        self::assertStringContainsString('value="Robin &quot;R&quot; Ash"', $html);
        self::assertStringNotContainsString('<script>alert', $html);
        self::assertSame(0, Person::query()->count() + Submission::query()->count() + DB::table('events')->count());
    }

    public function test_where_they_came_from_survives_a_typing_mistake(): void
    {
        $funnel = $this->live();
        self::assertStringContainsString('name="source" value="utm_source=newsletter"',
            (string) $this->get('/'.$funnel->address.'?utm_source=newsletter&other=x')->getContent());
        self::assertStringContainsString('name="source" value="utm_source=newsletter"',
            (string) $this->join($funnel, ['email' => 'robin@', 'source' => 'utm_source=newsletter'])->assertStatus(422)->getContent());
    }

    public function test_a_name_of_five_thousand_letters_is_refused_and_kept(): void
    {
        $funnel = $this->live();
        $name = str_repeat('ö', 5000);

        $this->join($funnel, ['first_name' => $name, 'email' => 'robin@example.com'])->assertStatus(422)
            ->assertSee('First name is too long: 100 characters at most.')->assertSee($name);
        self::assertSame(0, Person::query()->count());
    }

    public function test_script_in_every_field_comes_out_as_words(): void
    {
        $funnel = $this->live();
        $script = '"><script>alert(1)</script>{{email}}';
        $response = $this->join($funnel, ['first_name' => $script, 'last_name' => $script, 'email' => 'robin@example.com',
            'source' => $script, 'zone' => $script, 'visitor' => $script])
            ->assertStatus(303);

        $this->withUnencryptedCookie('lantern_joined', $response->getCookie('lantern_joined', false)->getValue())
            ->get('/'.$funnel->address.'/thank-you')->assertOk()->assertDontSee('<script>alert', false);
        $this->runQueue();
        $message = $this->message('robin@example.com');
        self::assertStringNotContainsString('<script>alert', (string) $message->html);
        self::assertStringContainsString('{{email}}', (string) $message->text, 'a merge field in a name is not filled in');
        self::assertNull(Person::query()->sole()->timezone);
    }

    public function test_a_form_without_its_token_is_shown_again_with_all_that_was_typed(): void
    {
        $funnel = $this->live();
        $this->post('/'.$funnel->address, ['first_name' => 'Robin', 'email' => 'robin@example.com'])
            ->assertStatus(422)->assertSee('press the button once more')->assertSee('value="robin@example.com"', false);
        $other = $this->live($this->owner('other@ferncroft.example'));
        $this->post('/'.$funnel->address, ['email' => 'robin@example.com', 'token' => $this->form($other)['token']])->assertStatus(422);
        $old = $this->form($funnel);
        $this->travel(8)->days();
        $this->post('/'.$funnel->address, ['email' => 'robin@example.com'] + $old)->assertStatus(422);

        self::assertSame(0, Submission::query()->count());
    }

    public function test_programs_are_kept_out(): void
    {
        $funnel = $this->live();
        $this->join($funnel, ['email' => 'robin@example.com', 'website' => 'http://spam.example'])->assertStatus(422)
            ->assertSee('very fast');
        $form = $this->form($funnel);
        $this->travelBack();
        $fresh = (string) $this->get('/'.$funnel->address)->getContent();
        preg_match('/name="token" value="([^"]+)"/', $fresh, $m);
        $this->post('/'.$funnel->address, ['email' => 'robin@example.com', 'token' => $m[1]] + $form)->assertStatus(422)
            ->assertSee('very fast');

        self::assertSame(0, Submission::query()->count());
    }

    public function test_a_flood_from_one_address_meets_a_kind_page(): void
    {
        $funnel = $this->live();
        config(['lantern.signups.per_address' => 5]);
        $statuses = [];
        for ($i = 0; $i < 100; $i++) {
            $statuses[] = $this->join($funnel, ['email' => "robin{$i}@example.com"])->getStatusCode();
            $this->travelBack();
        }

        self::assertSame([303 => 5, 429 => 95], array_count_values($statuses));
        self::assertSame(5, Person::query()->count());
        $this->join($funnel, ['email' => 'robin@example.com'])->assertSee('press the button again in ten minutes');
    }

    public function test_unpublished_and_closed_funnels_take_nothing(): void
    {
        $draft = $this->draft();
        $this->get('/'.$draft->address)->assertNotFound()->assertSee('There is no page at this address');
        $this->post('/'.$draft->address, ['email' => 'robin@example.com'])->assertNotFound();

        $live = $this->live($this->owner('two@ferncroft.example'));
        $form = $this->form($live);
        $live->forceFill(['state' => 'closed'])->save();
        $this->get('/'.$live->address)->assertStatus(410)->assertSee('closed for now');
        $this->post('/'.$live->address, ['email' => 'robin@example.com'] + $form)->assertStatus(410);
        self::assertSame(0, Submission::query()->count());
    }

    public function test_the_owner_trying_it_out_becomes_a_person_but_no_number(): void
    {
        $funnel = $this->live();
        $this->withCookie('lantern_owner', '1');
        $this->join($funnel, ['email' => 'imke@ferncroft.example'])->assertStatus(303);

        self::assertTrue(Person::query()->sole()->owner_try);
        self::assertSame(0, DB::table('counts')->count());
    }
}
