<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Journey\Events;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Models\User;
use App\People\Consent\Suppressions;
use App\People\Fields\OwnFields;
use App\Results\Counts;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Drafts\Email;
use Tests\Drafts\Sequence;
use Tests\TestCase;
use ZipArchive;

/** People together and one by one: acts that can be undone, merging, erasing, and taking out. */
final class PeopleTest extends TestCase
{
    private User $owner;

    private Funnel $funnel;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->funnel = $this->live($this->owner);
    }

    private function joined(string ...$addresses): void
    {
        foreach ($addresses as $i => $address) {
            $this->defaultCookies = [];
            $this->unencryptedCookies = [];
            $this->join($this->funnel,
                ['first_name' => ucfirst((string) strstr($address, '@', true)), 'email' => $address, 'visitor' => md5($address)]);
        }
        $this->runQueue();
        $this->actingAs($this->owner);
    }

    private function id(string $address): string
    {
        return Person::query()->where('email_key', $address)->sole()->id;
    }

    /** @param  array<string, mixed>  $of */
    private function act(string $kind, array $of): TestResponse
    {
        $answer = $this->postJson('/studio/api/people/acts', ['kind' => $kind] + $of);
        $this->runQueue();

        return $answer;
    }

    public function test_a_tag_for_many_leaves_again_only_those_who_got_it_by_that(): void
    {
        $this->joined('a@example.com', 'b@example.com', 'c@example.com');
        $this->postJson("/studio/api/people/{$this->id('a@example.com')}/tags", ['name' => 'VIP'])->assertOk();
        $rules = ['all' => true, 'rules' => [['kind' => 'field', 'field' => 'first_name', 'compare' => 'other', 'value' => 'c']]];
        $act = $this->act('tag', ['of' => 'vip', 'everybody' => true, 'rules' => $rules])->assertCreated()->assertJsonPath('people', 1)
            ->json('id');
        $tagged = fn (): array => Person::query()->whereHas('tags', fn ($q) => $q->where('name_key', 'vip'))->orderBy('email')
            ->pluck('email')->all();
        self::assertSame(['a@example.com', 'b@example.com'], $tagged());
        $this->postJson("/studio/api/people/acts/{$act}/undo")->assertOk();
        $this->postJson("/studio/api/people/acts/{$act}/undo")->assertOk();
        self::assertSame(['a@example.com'], $tagged());
        $off = $this->act('untag', ['of' => 'VIP', 'ids' => [$this->id('a@example.com'), $this->id('b@example.com')]])
            ->assertJsonPath('people', 1)->json('id');
        self::assertSame([], $tagged());
        $this->postJson("/studio/api/people/acts/{$off}/undo");
        self::assertSame(['a@example.com'], $tagged());
    }

    public function test_what_was_done_to_many_is_listed_and_can_be_taken_back_later(): void
    {
        $this->joined('a@example.com', 'b@example.com');
        $act = $this->act('tag', ['of' => 'VIP', 'everybody' => true])->json('id');
        $this->act('tag', ['of' => 'VIP', 'everybody' => true]);
        $this->travel(3)->days();
        $this->act('unsubscribe', ['ids' => [$this->id('a@example.com')]]);
        $shown = fn (): array => array_map(fn (array $a): array => [$a['kind'], $a['of'], $a['people'], $a['undone']],
            $this->getJson('/studio/api/people/acts')->assertOk()->json('acts'));
        self::assertSame([['unsubscribe', '', 1, false], ['tag', 'VIP', 2, false]], $shown(), 'what changed nothing is not there');
        $this->postJson("/studio/api/people/acts/{$act}/undo")->assertOk();
        self::assertSame([['unsubscribe', '', 1, false], ['tag', 'VIP', 2, true]], $shown());
        $this->actingAs($this->owner('other@ferncroft.example'))->getJson('/studio/api/people/acts')->assertJsonPath('acts', []);
        $this->postJson("/studio/api/people/acts/{$act}/undo")->assertNotFound();
    }

    public function test_many_enter_a_sequence_leave_it_and_everything_can_be_taken_back(): void
    {
        $second = Sequence::query()->create(['funnel_id' => $this->funnel->id, 'name' => 'Second']);
        Email::query()->create(['funnel_id' => $this->funnel->id, 'sequence_id' => $second->id, 'name' => 'Later', 'subject' => 'x',
            'body' => '<p>Words.</p>', 'timing' => ['from' => 'joining', 'days' => 3]]);
        $this->joined('a@example.com', 'b@example.com');
        $this->act('start', ['of' => $second->id, 'everybody' => true])->assertUnprocessable()
            ->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'publish its funnel first'));
        $this->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
        Person::query()->where('email_key', 'b@example.com')->update(['suppressed' => 'bounced']);
        $waiting = fn (): array => Message::query()->where('name', 'Later')->where('state', 'waiting')->pluck('to_address')->all();

        $start = $this->act('start', ['of' => $second->id, 'everybody' => true])->assertCreated()->json('id');
        self::assertSame(['a@example.com'], $waiting(), 'to a mailbox that refuses nothing is planned');
        $stop = $this->act('stop', ['of' => $second->id, 'everybody' => true])->json('id');
        self::assertSame([], $waiting());
        $this->postJson("/studio/api/people/acts/{$stop}/undo");
        self::assertSame(['a@example.com'], $waiting());
        $this->postJson("/studio/api/people/acts/{$start}/undo");
        self::assertSame([], $waiting());
    }

    public function test_unsubscribing_many_can_be_taken_back_with_what_was_waiting(): void
    {
        Email::query()->create(['funnel_id' => $this->funnel->id, 'name' => 'Later', 'subject' => 'x', 'body' => '<p>Words.</p>',
            'timing' => ['from' => 'joining', 'days' => 3]]);
        $this->actingAs($this->owner)->postJson("/studio/api/funnels/{$this->funnel->id}/publish")->assertOk();
        $this->joined('a@example.com', 'b@example.com');
        Person::query()->where('email_key', 'b@example.com')->update(['unsubscribed_at' => now()]);
        $act = $this->act('unsubscribe', ['everybody' => true])->assertJsonPath('people', 1)->json('id');
        self::assertSame(['cancelled' => 1, 'waiting' => 1],
            Message::query()->where('name', 'Later')->pluck('state')->countBy()->sortKeys()->all());
        $this->postJson("/studio/api/people/acts/{$act}/undo");
        self::assertSame(['subscribed', 'unsubscribed'],
            Person::query()->orderBy('email')->get()->map(fn (Person $p): string => $p->subscription()->value)->all());
        self::assertSame(2, Message::query()->where('name', 'Later')->where('state', 'waiting')->count());
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrongActs(): iterable
    {
        yield 'nothing to do' => [['kind' => 'dance', 'everybody' => true]];
        yield 'nobody' => [['kind' => 'tag', 'of' => 'x']];
        yield 'a tag without a name' => [['kind' => 'tag', 'of' => ' ', 'everybody' => true]];
        yield 'a tag of a page' => [['kind' => 'tag', 'of' => str_repeat('x', 61), 'everybody' => true]];
        yield 'a sequence that is not there' => [['kind' => 'start', 'of' => str_repeat('0', 26), 'everybody' => true]];
        yield 'rules that are none' => [['kind' => 'tag', 'of' => 'x', 'everybody' => true, 'rules' => ['rules' => [['kind' => 'moon']]]]];
    }

    /** @param  array<string, mixed>  $act */
    #[DataProvider('wrongActs')]
    public function test_what_cannot_be_done_to_many_is_said(array $act): void
    {
        $this->joined('a@example.com');
        $this->postJson('/studio/api/people/acts', $act)->assertUnprocessable();
        self::assertSame(0, DB::table('bulk_acts')->count());
    }

    public function test_two_people_become_one_with_one_history(): void
    {
        $this->joined('old@example.com', 'new@example.com');
        [$stays, $goes] = [$this->id('new@example.com'), $this->id('old@example.com')];
        Person::query()->whereKey($goes)->update(['phone' => '+44 1', 'marketing' => false, 'joined_at' => now()->subYear()]);
        OwnFields::set($goes, 'level', ['Beginner']);
        OwnFields::set($stays, 'age', ['41']);
        $this->postJson("/studio/api/people/{$goes}/notes", ['text' => 'Met in Exampleton'])->assertCreated();
        $this->postJson("/studio/api/people/{$goes}/tags", ['name' => 'VIP']);
        $this->postJson("/studio/api/people/{$stays}/merge", ['with' => $stays])->assertUnprocessable();
        $this->postJson("/studio/api/people/{$stays}/merge", ['with' => $goes])->assertOk();

        $person = $this->getJson("/studio/api/people/{$stays}")->assertOk()->assertJsonPath('phone', '+44 1')
            ->assertJsonPath('subscription', 'no-marketing')->assertJsonPath('notes.0.text', 'Met in Exampleton')->json();
        self::assertSame(2, count($person['consent']));
        self::assertEqualsCanonicalizing(['The Twelve-Minute Practice Plan', 'VIP'], $person['tags']);
        self::assertSame(2, count(array_filter($person['history'], fn (array $h): bool => $h['kind'] === 'message-sent')));
        self::assertSame(2, DB::table('visitor_person')->where('person_id', $stays)->count());
        self::assertSame(['age', 'level'], DB::table('person_values')->where('person_id', $stays)->orderBy('name')->pluck('name')->all());
        $this->getJson("/studio/api/people/{$goes}")->assertNotFound();
        self::assertSame(1, Person::query()->count());
    }

    public function test_erasing_forgets_the_person_and_keeps_the_totals(): void
    {
        $this->joined('robin@example.com', 'kim@example.com');
        DB::table('events')->insert(['business_id' => $this->owner->business_id, 'type' => 'viewed', 'funnel_id' => $this->funnel->id,
            'page_id' => $this->entry($this->funnel)->id, 'visitor' => md5('robin@example.com'),
            'person_id' => $this->id('robin@example.com'), 'at' => now()->format(Events::AT)]);
        app(Counts::class)->rebuild($this->owner->business);
        $counts = fn (): array => DB::table('counts')->orderBy('page_id')->orderBy('day')->orderBy('measure')->get()->all();
        $numbers = fn (): mixed => $this->getJson("/studio/api/funnels/{$this->funnel->id}")->json('emailNumbers');
        [$before, $sent] = [$counts(), $numbers()];
        $id = $this->id('robin@example.com');
        Person::query()->whereKey($id)->update(['unsubscribed_at' => now()]);
        $this->postJson("/studio/api/people/{$id}/notes", ['text' => 'Robin plays well']);
        $this->postJson("/studio/api/people/{$id}/erase")->assertOk();

        app(Counts::class)->rebuild($this->owner->business);
        self::assertEquals($before, $counts(), 'totals stay true, and can still be made anew');
        self::assertSame($sent, $numbers());
        $this->getJson("/studio/api/people/{$id}")->assertNotFound();
        $this->getJson('/studio/api/people')->assertJsonPath('total', 1);
        foreach (DB::select("select name from sqlite_master where type = 'table' and name not like 'sqlite%'") as $table) {
            foreach (DB::table($table->name)->get() as $row) {
                self::assertStringNotContainsStringIgnoringCase('robin', (string) json_encode($row), "in {$table->name}");
                self::assertStringNotContainsString(md5('robin@example.com'), (string) json_encode($row), "in {$table->name}");
            }
        }
        self::assertSame('unsubscribed', Suppressions::why($this->owner->business_id, 'robin@example.com'), 'that they left outlasts them');
    }

    public function test_everything_about_one_person_in_one_archive(): void
    {
        $this->joined('robin@example.com');
        $id = $this->id('robin@example.com');
        $this->postJson("/studio/api/people/{$id}/notes", ['text' => 'Plays well']);
        $path = (string) $this->get("/studio/api/people/{$id}/archive")->assertOk()->baseResponse->getFile()->getPathname();
        $zip = new ZipArchive;
        self::assertTrue($zip->open($path));
        $names = array_map(fn (int $i): string => (string) $zip->getNameIndex($i), range(0, $zip->numFiles - 1));
        self::assertSame(['consent.json', 'events.json', 'person.json'],
            array_values(array_diff(collect($names)->sort()->values()->all(), preg_grep('~^messages/.+\.eml$~', $names) ?: [])));
        $person = json_decode((string) $zip->getFromName('person.json'), true);
        self::assertSame(['robin@example.com', 'Plays well'], [$person['email'], $person['notes'][0]['words']]);
        $consent = json_decode((string) $zip->getFromName('consent.json'), true)[0];
        self::assertStringContainsString('Yes, email me this', $consent['words']);
        self::assertSame([true, '127.0.0.1', 1], [$consent['agreed'], $consent['address'], $consent['version']]);
        self::assertStringContainsString('Subject:',
            (string) $zip->getFromName((string) collect($names)->first(fn (string $n): bool => str_ends_with($n, '.eml'))));
        $this->get("/studio/api/people/{$id}/consent")->assertOk()->assertJsonPath('consent.0.form', 'Sign-up form')
            ->assertHeader('Content-Disposition');
    }

    public function test_what_is_known_is_changed_by_hand_and_checked(): void
    {
        $this->joined('robin@example.com');
        $id = $this->id('robin@example.com');
        foreach ([['age', 'number', []], ['since', 'date', []], ['likes', 'choices', ['Bach', 'Folk']]] as [$name, $kind, $options]) {
            $this->postJson('/studio/api/people/fields',
                ['name' => $name, 'label' => ucfirst($name), 'kind' => $kind, 'options' => $options])->assertCreated();
        }
        $this->postJson('/studio/api/people/fields', ['name' => 'email', 'label' => 'x', 'kind' => 'short_text'])->assertUnprocessable();
        $this->putJson("/studio/api/people/{$id}", ['firstName' => " Robin\n X ", 'phone' => 'ring me'])->assertUnprocessable();
        $this->putJson("/studio/api/people/{$id}", ['fields' => ['age' => ['old']]])->assertUnprocessable()
            ->assertJsonPath('message', '“old” is no number, or may be two. Write it like 1234.5.');
        $this->putJson("/studio/api/people/{$id}", ['fields' => ['gone' => ['x']]])->assertUnprocessable();
        $this->putJson("/studio/api/people/{$id}", ['firstName' => " Robin\n X ", 'timezone' => 'Asia/Tokyo',
            'fields' => ['age' => ['41,5'], 'since' => ['31.12.2020'], 'likes' => ['Bach', 'Folk']]])->assertOk()
            ->assertJsonPath('firstName', 'Robin X')->assertJsonPath('fields.0.values', ['41.5'])
            ->assertJsonPath('fields.1.values', ['Bach', 'Folk'])->assertJsonPath('fields.2.values', ['2020-12-31']);
        $this->deleteJson('/studio/api/people/fields/age')->assertOk();
        self::assertSame(0, DB::table('person_values')->where('name', 'age')->count());
    }

    public function test_segments_are_saved_changed_removed_and_restored(): void
    {
        $this->joined('a@example.com', 'b@example.com');
        $rules = ['all' => true, 'rules' => [['kind' => 'field', 'field' => 'first_name', 'compare' => 'equal', 'value' => 'A']]];
        $id = $this->postJson('/studio/api/segments', ['name' => 'The As', 'rules' => $rules])->assertCreated()->json('id');
        $this->getJson("/studio/api/people?segment={$id}")->assertJsonPath('total', 1);
        $this->postJson('/studio/api/people/count', ['rules' => $rules])->assertJson(['count' => 1,
            'words' => '“First name” is “A”']);
        $this->postJson('/studio/api/people/count', ['rules' => ['rules' => [['kind' => 'tag', 'tag' => '']]]])
            ->assertUnprocessable()->assertJsonPath('message', 'Choose a tag.');
        $this->postJson('/studio/api/segments', ['name' => ' ', 'rules' => $rules])->assertUnprocessable();
        $this->deleteJson("/studio/api/segments/{$id}")->assertOk();
        self::assertSame([], $this->getJson('/studio/api/people/kit')->json('segments'));
        $this->postJson("/studio/api/segments/{$id}/restore")->assertOk();
        self::assertCount(1, $this->getJson('/studio/api/people/kit')->json('segments'));
        $this->actingAs($this->owner('other@ferncroft.example'));
        $this->getJson("/studio/api/people?segment={$id}")->assertNotFound();
        $this->putJson("/studio/api/segments/{$id}", ['name' => 'Mine', 'rules' => $rules])->assertNotFound();
        self::assertSame([], $this->getJson('/studio/api/people/kit')->json('segments'));
    }

    public function test_people_go_out_as_csv_vcard_and_json(): void
    {
        $this->joined('zoe@example.com');
        Person::query()->update(['last_name' => 'O;Neil, "Z"', 'phone' => '+44 1']);
        $csv = $this->get('/studio/api/people/export/csv')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8')
            ->streamedContent();
        self::assertStringContainsString("\xEF\xBB\xBFEmail,First name", $csv);
        self::assertStringContainsString('zoe@example.com,Zoe,"O;Neil, ""Z""",+44 1,The Twelve-Minute Practice Plan', $csv);
        $card = $this->get('/studio/api/people/export/vcard')->assertOk()->streamedContent();
        self::assertStringContainsString('VERSION:4.0', $card);
        self::assertStringContainsString('N:O\;Neil\, "Z";Zoe;;;', $card);
        $json = json_decode($this->get('/studio/api/people/export/json')->streamedContent(), true);
        self::assertSame('zoe@example.com', $json['people'][0]['email']);
        $this->get('/studio/api/people/export/xls')->assertNotFound();
        self::assertSame(1, substr_count($this->get('/studio/api/people/export/csv?search=nobody')->streamedContent(), "\r\n"),
            'only what the list shows');
    }

    public function test_nobody_elses_person_can_be_touched(): void
    {
        $this->joined('robin@example.com');
        $id = $this->id('robin@example.com');
        $this->actingAs($this->owner('other@ferncroft.example'));
        foreach (['post' => ['tags', 'notes', 'bought', 'unsubscribe', 'lift', 'merge', 'erase', 'sequences/x'],
            'get' => ['archive', 'consent', ''], 'put' => [''], 'delete' => ['tags/1', 'notes/x', 'sequences/x']] as $method => $paths) {
            foreach ($paths as $path) {
                $this->{"{$method}Json"}(rtrim("/studio/api/people/{$id}/{$path}", '/'),
                    ['name' => 'x', 'words' => 'x', 'with' => $id, 'funnel' => $this->funnel->id])->assertNotFound();
            }
        }
        $this->act('tag', ['of' => 'mine', 'ids' => [$id]])->assertJsonPath('people', 0);
        self::assertNull(Person::query()->sole()->unsubscribed_at);
    }

    public function test_a_download_is_taken_back_and_allowed_again(): void
    {
        $funnel = $this->live($this->owner);
        $this->join($funnel, ['email' => 'robin@example.com', 'first_name' => 'Robin']);
        $this->actingAs($this->owner);
        $person = Person::query()->where('email', 'robin@example.com')->sole()->id;
        $revoked = fn (): mixed => $this->getJson("/studio/api/people/{$person}")->assertOk()->json('deliveries.0.revoked');
        $delivery = $this->getJson("/studio/api/people/{$person}")->json('deliveries.0.id');
        self::assertFalse($revoked());
        $this->postJson("/studio/api/deliveries/{$delivery}/revoke")->assertOk();
        self::assertTrue($revoked());
        $this->postJson("/studio/api/deliveries/{$delivery}/allow")->assertOk();
        self::assertFalse($revoked());
    }
}
