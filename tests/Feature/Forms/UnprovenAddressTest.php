<?php

declare(strict_types=1);

namespace Tests\Feature\Forms;

use App\Models\Delivery;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\People\Consent\Suppressions;
use App\Publishing\Publishing;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** Anybody can type any address. Until a link in an email proves it, nothing that is known of its person is shown or changed. */
final class UnprovenAddressTest extends TestCase
{
    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->funnel = $this->live();
        $this->join($this->funnel, ['first_name' => 'Robin', 'email' => 'robin@example.com', 'visitor' => str_repeat('a', 32)]);
        $this->runQueue();
    }

    private function robin(): Person
    {
        return Person::query()->where('email_key', 'robin@example.com')->sole();
    }

    /** What a browser is shown after it filled the form in, without what every form has of its own. */
    private function shownAfter(TestResponse $answer): string
    {
        $id = (string) $answer->getCookie('lantern_joined', false)->getValue();
        $page = (string) $this->withUnencryptedCookie('lantern_joined', $id)->get((string) $answer->headers->get('Location'))->assertOk()
            ->getContent();

        return (string) preg_replace(['/name="token" value="[^"]+"/', '~/s/[^/]+/~', '/until=\d+|seal=\w+/'], '', $page);
    }

    public function test_a_stranger_changes_nothing_and_sees_what_all_see(): void
    {
        // They chose to hear nothing for a while, and nothing beyond what they asked for.
        $this->robin()
            ->forceFill(['timezone' => 'Europe/London', 'quiet_until' => CarbonImmutable::now()->addMonth(), 'marketing' => false])->save();
        $before = (array) DB::table('people')->where('email_key', 'robin@example.com')->first();
        $known = $this->join($this->funnel, ['first_name' => 'Mallory', 'email' => 'ROBIN@example.com', 'zone' => 'Asia/Tokyo',
            'visitor' => str_repeat('b', 32)]);
        $unknown = $this->join($this->funnel, ['first_name' => 'Mallory', 'email' => 'kim@example.com', 'zone' => 'Asia/Tokyo',
            'visitor' => str_repeat('c', 32)]);

        self::assertSame($this->shownAfter($unknown), $this->shownAfter($known));
        self::assertStringContainsString('It is yours, Mallory.', $this->shownAfter($known));
        $after = (array) DB::table('people')->where('email_key', 'robin@example.com')->first();
        self::assertSame(array_diff_key($before, ['updated_at' => 0, 'active_at' => 0]),
            array_diff_key($after, ['updated_at' => 0, 'active_at' => 0]));
        self::assertSame(['a', 'c'], DB::table('visitor_person')->orderBy('visitor')->pluck('visitor')->map(fn ($v) => $v[0])->all(),
            'the browser is not taken for theirs');
    }

    public function test_what_is_not_known_yet_is_filled_in(): void
    {
        $this->robin()->forceFill(['first_name' => ''])->save();
        $this->join($this->funnel, ['first_name' => 'Rob', 'email' => 'robin@example.com']);
        self::assertSame('Rob', $this->robin()->first_name);
    }

    public function test_whoever_unsubscribed_comes_back_only_by_confirming_whatever_the_form_asks(): void
    {
        $this->robin()->forceFill(['unsubscribed_at' => CarbonImmutable::now()])->save();
        Suppressions::add($this->funnel->business_id, 'robin@example.com', 'unsubscribed');
        DB::table('opt_outs')->insert(['person_id' => $this->robin()->id, 'what' => 'broadcasts', 'at' => '2026-01-01']);
        $known = $this->join($this->funnel, ['email' => 'robin@example.com']);
        $unknown = $this->join($this->funnel, ['email' => 'kim@example.com']);
        self::assertSame([$unknown->getStatusCode(), $unknown->headers->get('Location')], [$known->getStatusCode(),
            $known->headers->get('Location')]);
        self::assertSame($this->shownAfter($unknown), $this->shownAfter($known));
        $this->runQueue();

        self::assertNotNull($this->robin()->unsubscribed_at);
        self::assertSame(1, DB::table('opt_outs')->count());
        $question = Message::query()->where('kind', 'confirm')->sole();
        self::assertSame(['sent', 'robin@example.com'], [$question->state->value, $question->to_address]);
        self::assertSame(1, preg_match('~http://localhost(/c/[^\s]+)~', (string) $question->text, $m));
        $this->post($m[1])->assertRedirect();
        self::assertNull($this->robin()->unsubscribed_at);
        self::assertSame([0, null], [DB::table('opt_outs')->count(), Suppressions::why($this->funnel->business_id, 'robin@example.com')]);
    }

    public function test_with_double_opt_in_the_page_after_it_gives_the_file_to_nobody_who_has_not_confirmed(): void
    {
        $form = \Tests\Drafts\Form::query()->where('funnel_id', $this->funnel->id)->firstOrFail();
        $form->forceFill(['doubleOptIn' => true])->save();
        app(Publishing::class)->publish($this->funnel, null);
        $waiting = (string) $this->join($this->funnel, ['email' => 'robin@example.com'])->getCookie('lantern_joined', false)->getValue();
        $page = fn () => $this->withUnencryptedCookie('lantern_joined', $waiting)->get("/{$this->funnel->address}/thank-you")->assertOk();

        $page()->assertDontSee('/s/', false)->assertSee('Tell me where to send it');
        $this->runQueue();
        preg_match('~http://localhost(/c/[^\s]+)~', (string) Message::query()->where('kind', 'confirm')->sole()->text, $m);
        $this->post($m[1]);
        $page()->assertSee('/s/', false);
    }

    public function test_a_download_belongs_to_the_form_and_ends_when_the_owner_takes_it_back_afterwards(): void
    {
        Delivery::query()->update(['revoked_at' => CarbonImmutable::now()]);
        $this->travel(1)->minutes();
        $answer = $this->join($this->funnel, ['email' => 'robin@example.com']);
        $html = (string) $this->withUnencryptedCookie('lantern_joined', (string) $answer->getCookie('lantern_joined', false)->getValue())
            ->get((string) $answer->headers->get('Location'))->getContent();
        self::assertSame(1, preg_match('~href="(/s/[^"]+)"~', $html, $m), 'as for somebody who is not known');
        $link = html_entity_decode($m[1]);
        $this->get($link)->assertOk();
        self::assertSame(0, Delivery::query()->sole()->downloads);
        $this->travel(1)->minutes();
        $this->get(str_replace('seal=', 'seal=0', $link))->assertForbidden();

        Delivery::query()->update(['revoked_at' => CarbonImmutable::now()]);
        $this->travel(1)->minutes();
        $this->get($link)->assertNotFound();
    }

    public function test_an_address_gets_so_many_questions_a_day_whatever_forms_are_filled_in(): void
    {
        $this->robin()->forceFill(['unsubscribed_at' => CarbonImmutable::now()])->save();
        $second = $this->draft(User::query()->first(), 'Another');
        app(Publishing::class)->publish($second, null);
        foreach (range(1, 6) as $i) {
            $this->join($i % 2 === 0 ? $this->funnel : $second->refresh(), ['email' => $i < 4 ? 'robin@example.com' : 'ROBIN@Example.com',
                'first_name' => 'You won at win.example'])->assertStatus(303);
        }
        $this->post('/f/again', ['email' => 'robin@example.com'])->assertOk();
        $this->runQueue();
        self::assertSame(5, Message::query()->whereIn('kind', ['confirm', 'new-link'])->count());
        self::assertStringNotContainsString('win.example', (string) DB::table('outbox')->latest('id')->value('mime'));
        $this->travel(25)->hours();
        $this->join($this->funnel, ['email' => 'robin@example.com']);
        self::assertSame(6, Message::query()->where('kind', 'confirm')->count());
    }
}
