<?php

declare(strict_types=1);

namespace Tests\Feature\Studio;

use App\Models\Funnel;
use App\Models\User;
use App\Models\Version;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Hashing\BcryptHasher;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Email;
use Tests\Drafts\Form;
use Tests\Drafts\LeadMagnet;
use Tests\Drafts\Page;
use Tests\TestCase;

final class StudioTest extends TestCase
{
    private const SETUP = ['name' => 'Imke Farrow', 'email' => 'Imke@Ferncroft.example', 'password' => 'twelve minutes',
        'businessName' => 'Ferncroft Cello Room', 'senderName' => 'Imke Farrow',
        'senderAddress' => 'imke@ferncroft.example', 'postalAddress' => '3 Ferncroft Yard', 'timezone' => 'Europe/Berlin',
        'currency' => 'EUR'];

    public function test_the_first_visit_makes_the_owner_and_only_the_first(): void
    {
        $this->getJson('/studio/api/session')->assertJson(['signedIn' => false, 'firstRun' => true, 'demo' => null]);
        $this->postJson('/studio/api/setup', ['password' => 'short', 'timezone' => 'Mars/Olympus', 'currency' => 'euro'] + self::SETUP)
            ->assertStatus(422)
            ->assertJsonValidationErrors(['password', 'timezone', 'currency']);
        self::assertSame(0, User::query()->count() + DB::table('businesses')->count());

        $this->postJson('/studio/api/setup', self::SETUP)->assertOk()->assertJsonPath('business.businessName', 'Ferncroft Cello Room')
            ->assertCookie('lantern_owner');
        $this->getJson('/studio/api/session')->assertJson(['signedIn' => true]);
        $this->postJson('/studio/api/setup', ['email' => 'second@example.com'] + self::SETUP)->assertForbidden();
        self::assertSame(1, User::query()->count());
    }

    public function test_of_several_who_set_it_up_at_once_one_is_the_owner(): void
    {
        $given = ['name' => 'Imke Farrow', 'email' => 'imke@ferncroft.example', 'password' => 'twelve minutes a day',
            'businessName' => 'Ferncroft Cello Room', 'senderName' => 'Imke Farrow', 'senderAddress' => 'imke@ferncroft.example',
            'postalAddress' => '3 Ferncroft Yard', 'timezone' => 'UTC', 'currency' => 'EUR'];
        // Somebody else is done between the question whether there is an owner and the answer to it.
        DB::statement("create trigger quicker before insert on users begin select raise(abort, 'UNIQUE constraint failed: "
            ."users.founder'); end");
        $this->postJson('/studio/api/setup', $given)->assertForbidden()
            ->assertJsonPath('message', 'There is an owner already. Please sign in.');
        $this->assertGuest();
        self::assertSame([0, 0], [User::query()->count(), DB::table('businesses')->count()], 'and nothing is left of it');
        DB::statement('drop trigger quicker');

        $this->postJson('/studio/api/setup', $given)->assertOk();
        $this->postJson('/studio/api/setup', ['email' => 'second@ferncroft.example'] + $given)->assertForbidden();
        $row = (array) DB::table('users')->first();
        self::assertSame(1, $row['founder']);
        $this->expectException(UniqueConstraintViolationException::class);
        DB::table('users')->insert(['id' => 2, 'email' => 'second@ferncroft.example'] + $row);
    }

    public function test_signing_in_is_checked_throttled_and_tells_nothing(): void
    {
        $this->owner();
        $unknown = $this->postJson('/studio/api/session', ['email' => 'nobody@example.com', 'password' => 'x'])->assertStatus(422)->json();
        self::assertSame($unknown,
            $this->postJson('/studio/api/session', ['email' => 'imke@ferncroft.example', 'password' => 'x'])->assertStatus(422)->json());
        $this->postJson('/studio/api/session', ['email' => ' IMKE@ferncroft.example', 'password' => 'long enough to hold'])->assertOk()
            ->assertJsonPath('user.name', 'Imke Farrow');
        $this->deleteJson('/studio/api/session')->assertOk();
        $this->getJson('/studio/api/funnels')->assertUnauthorized()
            ->assertJsonPath('message', 'You are signed out. Sign in again, and nothing you typed is lost.');
        $last = 0;
        for ($i = 0; $i < 8; $i++) {
            $last = $this->postJson('/studio/api/session', ['email' => 'imke@ferncroft.example', 'password' => 'wrong'])->getStatusCode();
        }
        self::assertSame(429, $last);
    }

    public function test_signing_in_takes_one_look_at_a_password_whether_the_address_is_known_or_not(): void
    {
        $this->owner();
        $hasher = new class extends BcryptHasher
        {
            public int $looks = 0;

            public function make($value, array $options = []): string
            {
                $this->looks++;

                return parent::make($value, $options);
            }

            public function check($value, $hashedValue, array $options = []): bool
            {
                $this->looks++;

                return parent::check($value, $hashedValue, $options);
            }
        };
        Hash::swap($hasher);
        $this->app->instance('hash', $hasher);
        foreach (['imke@ferncroft.example', 'nobody@ferncroft.example'] as $email) {
            $hasher->looks = 0;
            $this->app->forgetInstance('auth');
            Auth::clearResolvedInstances();
            $this->postJson('/studio/api/session', ['email' => $email, 'password' => 'not the one'])->assertStatus(422);
            self::assertSame(1, $hasher->looks, $email);
        }
    }

    public function test_all_of_a_password_counts(): void
    {
        config(['lantern.sign_ins_per_minute' => 100]);
        foreach ([str_repeat('a', 73) => 'shorter', str_repeat('ü', 37) => 'shorter',
            "twelve\0minutes" => 'letters'] as $password => $words) {
            $this->postJson('/studio/api/setup', ['password' => $password] + self::SETUP)->assertStatus(422)
                ->assertJsonPath('errors.password.0', fn (string $why): bool => str_contains($why, $words));
        }
        $this->postJson('/studio/api/setup', ['password' => str_repeat('ü', 36)] + self::SETUP)->assertOk();
        $this->deleteJson('/studio/api/session');
        $this->postJson('/studio/api/session', ['email' => self::SETUP['email'], 'password' => str_repeat('ü', 35).'u'])->assertStatus(422);
        $this->postJson('/studio/api/session', ['email' => self::SETUP['email'], 'password' => str_repeat('ü', 36)])->assertOk();
    }

    public function test_the_studio_is_framed_by_nobody_and_runs_no_foreign_script(): void
    {
        $policy = (string) $this->get('/studio/funnels')->assertOk()->headers->get('content-security-policy');
        self::assertStringContainsString("script-src 'self';", $policy);
        self::assertStringContainsString("frame-ancestors 'self'", $policy);
        $owner = $this->owner();
        $page = $this->entry($this->draft($owner));
        $this->get("/studio/preview/pages/{$page->id}")->assertRedirect('/studio');
        $preview = $this->actingAs($owner)->get("/studio/preview/pages/{$page->id}")->assertOk()->assertSee('data-field="text"', false)
            ->assertDontSee('<script', false);
        self::assertStringStartsWith("default-src 'none'; style-src", (string) $preview->headers->get('content-security-policy'));
    }

    public function test_lists_and_search_show_nothing_of_somebody_else(): void
    {
        $this->join($this->live(), ['email' => 'robin@example.com']);
        $this->actingAs($this->owner('stranger@example.com'));

        foreach (['people', 'messages', 'funnels', 'search?q=robin'] as $list) {
            $this->getJson("/studio/api/{$list}")->assertOk()->assertDontSee('robin@example.com')->assertDontSee('Practice plan');
        }
        $this->getJson('/studio/api/funnels/not-an-id')->assertNotFound();
        $this->getJson('/studio/api/nothing/here')->assertNotFound();
    }

    public function test_broken_json_changes_nothing(): void
    {
        $owner = $this->owner();
        $page = $this->entry($this->draft($owner));
        foreach (['{"revision":1,', '[1,2', '"words"', str_repeat('[', 100)] as $body) {
            $this->actingAs($owner)->call('PUT', "/studio/api/parts/{$page->id}", [], [], [],
                ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], $body)->assertStatus(400);
        }
        $this->actingAs($owner)->call('PUT', "/studio/api/parts/{$page->id}", [], [], [], ['CONTENT_TYPE' => 'application/json'],
            '{"a":"'.str_repeat('x', 2_000_001).'"}')->assertStatus(413);
        self::assertSame(1, $page->refresh()->revision);
    }

    public function test_a_funnel_is_made_whole_and_listed_with_its_numbers(): void
    {
        $owner = $this->owner();
        $id = $this->actingAs($owner)->post('/studio/api/funnels',
            ['goal' => 'give-away', 'name' => 'Practice plan', 'title' => 'The Plan', 'file' => $this->file('plan.pdf', self::pdf())],
            ['Accept' => 'application/json'])
            ->assertCreated()->json('id');
        $shown = $this->getJson("/studio/api/funnels/{$id}")->assertOk();
        $shown->assertJsonCount(2, 'pages')->assertJsonCount(1, 'ways')->assertJsonCount(1, 'forms')->assertJsonCount(1, 'emails')
            ->assertJson(['state' => 'draft', 'changed' => true, 'nextVersion' => 1,
                'leadMagnets' => [['file' => ['name' => 'plan.pdf']]]]);
        $this->postJson("/studio/api/funnels/{$id}/publish")->assertOk();
        $funnel = Funnel::query()->findOrFail($id);
        $this->app['auth']->forgetGuards();
        $this->join($funnel, ['email' => 'robin@example.com', 'visitor' => str_repeat('a', 32)]);

        $row = $this->actingAs($owner)->getJson('/studio/api/funnels')->assertOk()->json('funnels.0');
        self::assertSame(['Practice plan', 'live', 1, 1], [$row['name'], $row['state'], $row['success']['count'], $row['liveVersion']]);
        $this->getJson('/studio/api/funnels?search=PRACT&state=live')->assertJsonCount(1, 'funnels');
        $this->getJson('/studio/api/funnels?search=100%25')->assertJsonCount(0, 'funnels');
        $this->postJson("/studio/api/funnels/{$id}/archive")->assertOk();
        $this->getJson('/studio/api/funnels')->assertJsonCount(0, 'funnels')->assertJson(['any' => true]);
        $this->getJson('/studio/api/funnels?state=archived')->assertJsonPath('funnels.*.id', [$id]);
        $this->get('/'.$funnel->address)->assertNotFound();
        $this->postJson("/studio/api/funnels/{$id}/restore")->assertOk();
        $this->get('/'.$funnel->address)->assertOk();
        $copy = $this->postJson("/studio/api/funnels/{$id}/duplicate")->assertCreated()->json('id');
        $this->getJson("/studio/api/funnels/{$copy}")
            ->assertJson(['name' => 'Practice plan (copy)', 'state' => 'draft', 'address' => 'the-plan-copy']);
    }

    public function test_lists_ask_the_database_as_often_however_long_they_are(): void
    {
        $owner = $this->owner();
        $queries = function (string $path): int {
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->getJson("/studio/api/{$path}")->assertOk();

            return count(DB::getQueryLog());
        };
        $funnel = $this->live($owner);
        $this->join($funnel, ['email' => 'robin0@example.com']);
        $this->actingAs($owner);
        $first = array_map($queries, ['funnels', 'people', 'messages']);
        for ($i = 1; $i <= 12; $i++) {
            $this->live($owner);
            $this->join($funnel, ['email' => "robin{$i}@example.com"]);
        }
        self::assertSame($first, array_map($queries, ['funnels', 'people', 'messages']));
    }

    /** @return iterable<string, array{string, string}> */
    public static function badAddresses(): iterable
    {
        yield 'reserved' => ['studio', 'kept for the application itself'];
        yield 'taken' => ['taken', 'in use by another of your funnels'];
        yield 'two words' => ['two words', 'small letters, digits and single dashes'];
        yield 'upwards' => ['../up', 'small letters, digits and single dashes'];
        yield 'nothing' => ['', 'small letters, digits and single dashes'];
        yield 'endless' => [str_repeat('a', 100), '60 characters at most'];
    }

    #[DataProvider('badAddresses')]
    public function test_an_address_that_cannot_be(string $address, string $sentence): void
    {
        $owner = $this->owner();
        $this->draft($owner)->forceFill(['address' => 'taken'])->save();
        $funnel = $this->draft($owner, 'Another');
        $this->actingAs($owner)->putJson("/studio/api/funnels/{$funnel->id}", ['name' => 'New name', 'address' => $address])
            ->assertStatus(422)
            ->assertJsonPath('errors.address.0', fn (string $said): bool => str_contains($said, $sentence));
        self::assertSame(['Practice plan', 'another'], [$funnel->refresh()->name, $funnel->address]);
    }

    public function test_dates_and_money_are_written_the_owners_way(): void
    {
        $this->actingAs($this->owner());
        $known = $this->getJson('/studio/api/session')->json('locales');
        $settings = $this->getJson('/studio/api/session')->json('business');
        self::assertIsArray($settings);
        self::assertSame('en-GB', $settings['locale']);
        self::assertContains('de-DE', $known);
        foreach (['de', 'de_DE', 'Klingon', '', ['de-DE'], 7] as $wrong) {
            $this->putJson('/studio/api/settings', ['locale' => $wrong] + $settings)->assertStatus(422)
                ->assertJsonPath('errors.locale.0', 'Please choose how dates and numbers are written from the list.');
        }
        $this->putJson('/studio/api/settings', ['locale' => 'de-DE'] + $settings)->assertOk()->assertJsonPath('locale', 'de-DE');
        $funnel = $this->postJson('/studio/api/funnels', ['goal' => 'sell', 'name' => 'Sell', 'title' => 'A course',
            'introductory' => '1190',
            'price' => '1290'])->assertCreated()->json('id');
        $offers = $this->getJson("/studio/api/funnels/{$funnel}")->json('offers');
        self::assertContains("1.290\u{a0}€", array_column($offers, 'priceWords'), json_encode($offers, JSON_THROW_ON_ERROR));
    }

    public function test_text_is_sanitised_and_references_are_the_owners_own(): void
    {
        $owner = $this->owner();
        $page = $this->entry($this->draft($owner));
        $document = $page->document;
        $document['sections'][0]['blocks'][0]['text'] = "Play <script>alert(1)</script>\u{0007}now";
        $document['sections'][0]['blocks'][1]['html'] = '<p onclick="x()">Hi <b>you</b> <a href="javascript:alert(1)">a</a> <a '
            .'href="https://ferncroft.example/x">b</a><script>alert(1)</script><!--slot:token--><img src=x '
                .'onerror=alert(1)><style>*{}</style></p>';
        $this->actingAs($owner)->putJson("/studio/api/parts/{$page->id}", ['revision' => 1, 'document' => $document])->assertOk()
            ->assertJsonPath('revision', 2);

        $stored = $page->refresh()->document['sections'][0]['blocks'];
        self::assertSame('Play <script>alert(1)</script>now', $stored[0]['text'], 'plain words stay words');
        self::assertSame('<p>Hi <b>you</b> <a>a</a> <a href="https://ferncroft.example/x">b</a></p>', $stored[1]['html']);
        $html = (string) $this->get("/studio/preview/pages/{$page->id}")->getContent();
        self::assertStringContainsString('Play &lt;script&gt;alert(1)&lt;/script&gt;now', $html);
        $document['background'] = ['fill' => 'picture', 'picture' => '01aaaaaaaaaaaaaaaaaaaaaaaa'];
        $this->putJson("/studio/api/parts/{$page->id}", ['revision' => 2, 'document' => $document])->assertStatus(422)
            ->assertJsonPath('message', 'A picture on this page is not in your library.');
        $this->putJson("/studio/api/parts/{$page->id}", ['revision' => 2, 'document' => 'words'])->assertStatus(422);
        $this->putJson("/studio/api/parts/{$page->id}", ['revision' => 2, 'name' => ''])->assertStatus(422)
            ->assertJsonValidationErrors('name');
    }

    public function test_two_windows_do_not_overwrite_each_other(): void
    {
        $owner = $this->owner();
        $funnel = $this->draft($owner);
        foreach ([Page::class, Form::class, Email::class] as $model) {
            $thing = $model::query()->where('funnel_id', $funnel->id)->firstOrFail();
            $change = $model === Form::class ? ['button' => 'First'] : ['name' => 'First'];
            $this->actingAs($owner)->putJson("/studio/api/parts/{$thing->id}", ['revision' => 1] + $change)->assertOk();
            $this->putJson("/studio/api/parts/{$thing->id}", ['revision' => 1] + $change)->assertStatus(409)
                ->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'changed in another window'));
        }
    }

    public function test_forms_and_emails_are_edited_and_keep_out_what_cannot_be(): void
    {
        $owner = $this->owner();
        $funnel = $this->draft($owner);
        $form = Form::query()->firstOrFail();
        $this->actingAs($owner)->putJson("/studio/api/parts/{$form->id}",
            ['revision' => 1, 'fields' => [['kind' => 'email', 'label' => 'Email']], 'tags' => ['Late starter']])
            ->assertOk()->assertJsonPath('fields.0.required', true)->assertJsonPath('button', 'Send it to me');
        $this->putJson("/studio/api/parts/{$form->id}", ['revision' => 2, 'fields' => [['kind' => 'phone']]])->assertStatus(422)
            ->assertJsonPath('message', 'A form needs the email field: without it nobody can be written to.');
        $made = $this->postJson("/studio/api/funnels/{$funnel->id}/parts", ['kind' => 'email'])->assertCreated()
            ->assertJson(['timing' => ['from' => 'joining', 'days' => 1, 'hour' => 9], 'timingWords' => 'day 1 at 09:00'])->json('id');
        $this->putJson("/studio/api/parts/{$made}",
            ['revision' => 1, 'subject' => "Hello\r\nBcc: all@example.com",
                'body' => '<p>Get <a href="{{download_link}}">it</a><script>x</script></p>', 'timing' => ['from' => 'joining',
                    'minutes' => 30]])->assertOk()
            ->assertJson(['subject' => 'Hello Bcc: all@example.com', 'body' => '<p>Get <a href="{{download_link}}">it</a></p>',
                'timingWords' => '30 minutes later']);
        $this->putJson("/studio/api/parts/{$made}", ['revision' => 2, 'timing' => ['from' => 'joining', 'days' => 9000]])
            ->assertStatus(422);
        $this->getJson("/studio/api/emails/{$made}/sample")->assertOk()
            ->assertJsonPath('text', fn (string $t): bool => str_contains($t, 'Unsubscribe'));
        $this->deleteJson("/studio/api/parts/{$made}")->assertOk();
        $this->getJson("/studio/api/funnels/{$funnel->id}")->assertJsonCount(1, 'emails');
        $this->postJson("/studio/api/parts/{$made}/restore")->assertOk();
        $this->getJson("/studio/api/funnels/{$funnel->id}")->assertJsonCount(2, 'emails');
    }

    public function test_outcomes_lead_to_pages_of_this_funnel_or_to_whole_addresses(): void
    {
        $owner = $this->owner();
        $funnel = $this->live($owner);
        $entry = $this->entry($funnel);
        $foreign = $this->entry($this->draft($owner, 'Another'));
        $put = fn (array $to) => $this->actingAs($owner)->putJson("/studio/api/pages/{$entry->id}/ways", ['outcome' => 'joined'] + $to);
        $put(['toPage' => $foreign->id])->assertStatus(422);
        $put(['toUrl' => 'javascript:alert(1)'])->assertStatus(422)->assertJsonPath('message', 'A web address begins with https://.');
        $put(['toUrl' => 'https://ferncroft.example/thanks'])->assertOk();
        $this->postJson("/studio/api/funnels/{$funnel->id}/publish")->assertOk();
        $this->app['auth']->forgetGuards();
        $this->join($funnel->refresh(), ['email' => 'robin@example.com'])->assertOk()
            ->assertSee('content="0;url=https://ferncroft.example/thanks"', false)->assertCookie('lantern_joined');
    }

    public function test_publishing_is_all_or_nothing_numbered_and_can_be_rolled_back(): void
    {
        $owner = $this->owner();
        $funnel = $this->draft($owner, withFile: false);
        $this->actingAs($owner)->postJson("/studio/api/funnels/{$funnel->id}/publish")->assertStatus(422)
            ->assertJsonPath('findings.0.code', 'file-missing')
            ->assertJsonPath('message', fn (string $m): bool => str_starts_with($m, 'This funnel cannot go live yet. Nothing was ')
                && str_contains($m, 'has no file'));
        self::assertSame([0, 'draft'], [Version::query()->count(), $funnel->refresh()->state->value]);
        $leadMagnet = LeadMagnet::query()->sole();
        $this->post("/studio/api/parts/{$leadMagnet->id}/file", ['file' => $this->file('plan.pdf', self::pdf())],
            ['Accept' => 'application/json'])->assertOk();
        $first = $this->postJson("/studio/api/funnels/{$funnel->id}/publish", ['note' => 'First'])->assertOk()
            ->assertJsonPath('version.number', 1)->json('version.id');

        $entry = $this->entry($funnel);
        $document = $entry->document;
        $document['sections'][0]['blocks'][0]['text'] = 'A better headline';
        $this->putJson("/studio/api/parts/{$entry->id}", ['revision' => 1, 'document' => $document])->assertOk();
        $this->get('/'.$funnel->address)->assertOk()->assertDontSee('A better headline');
        $this->getJson("/studio/api/funnels/{$funnel->id}")->assertJson(['changed' => true, 'nextVersion' => 2]);
        $this->postJson("/studio/api/funnels/{$funnel->id}/publish")->assertOk()->assertJsonPath('version.number', 2);
        $this->postJson("/studio/api/funnels/{$funnel->id}/publish")->assertOk()->assertJsonPath('version.number', 2);
        $this->get('/'.$funnel->address)->assertOk()->assertSee('A better headline');
        $this->postJson("/studio/api/funnels/{$funnel->id}/versions/{$first}/live")->assertOk();
        $this->get('/'.$funnel->address)->assertOk()->assertDontSee('A better headline');
        $this->getJson("/studio/api/funnels/{$funnel->id}")->assertJson(['changed' => true, 'liveVersion' => 1, 'nextVersion' => 3]);
        $this->postJson("/studio/api/funnels/{$funnel->id}/close")->assertOk();
        $this->get('/'.$funnel->address)->assertStatus(410);
        $this->postJson("/studio/api/funnels/{$funnel->id}/publish")->assertOk()->assertJsonPath('version.number', 3);
        $this->get('/'.$funnel->address)->assertOk()->assertSee('A better headline');
    }

    public function test_a_version_is_never_changed(): void
    {
        $this->live();
        $this->expectException(\LogicException::class);
        Version::query()->firstOrFail()->forceFill(['note' => 'x'])->save();
    }

    public function test_the_search_leads_to_every_part_that_opens_on_a_desk(): void
    {
        $owner = $this->owner();
        $funnel = $this->draft($owner);
        $this->actingAs($owner);
        $found = fn (string $typed): array => array_map(fn (array $f): array => [$f['kind'], $f['label'], $f['to']],
            $this->getJson('/studio/api/search?q='.rawurlencode($typed))->assertOk()->json('found'));
        foreach (DB::table('draft_parts')->where('funnel_id', $funnel->id)->get() as $part) {
            $there = array_column($found((string) $part->name), 2);
            self::assertSame($part->kind !== 'shared-section', in_array("/funnels/{$funnel->id}/{$part->kind}/{$part->id}", $there, true),
                $part->kind);
        }
        $sequence = DB::table('draft_parts')->where('kind', 'sequence')->first();
        self::assertContains(['Sequence', $sequence?->name, "/funnels/{$funnel->id}/sequence/{$sequence?->id}"],
            $found((string) $sequence?->name));
        DB::table('draft_parts')->where('kind', 'sequence')->update(['removed' => now()]);
        self::assertSame([], array_filter($found((string) $sequence?->name), fn (array $f): bool => $f[0] === 'Sequence'));
    }

    public function test_what_is_stored_has_the_written_form(): void
    {
        $validator = new \Opis\JsonSchema\Validator;
        $validator->resolver()?->registerPrefix('https://upbeat-lantern.example/formats/', base_path('docs/formats'));
        $plan = json_decode((string) json_encode($this->live()->liveVersion?->plan));
        $result = $validator->validate($plan, 'https://upbeat-lantern.example/formats/plan.schema.json');
        self::assertTrue($result->isValid(),
            json_encode($result->error() ? (new \Opis\JsonSchema\Errors\ErrorFormatter)->format($result->error()) : ''));
        $plan->parts[0]->document->sections[0]->blocks[0]->kind = 'script';
        self::assertFalse($validator->validate($plan, 'https://upbeat-lantern.example/formats/plan.schema.json')->isValid());
    }
}
