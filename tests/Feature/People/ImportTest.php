<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Models\Import;
use App\Models\Person;
use App\Models\User;
use App\People\Consent\Suppressions;
use App\People\Import\Importing;
use App\People\Import\ImportUndo;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Lists of people that are brought in, and taken back. */
final class ImportTest extends TestCase
{
    private User $owner;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->owner();
        $this->actingAs($this->owner);
    }

    private function bring(string $content, string $name = 'list.csv'): TestResponse
    {
        return $this->post('/studio/api/imports', ['file' => $this->file($name, $content)], ['Accept' => 'application/json']);
    }

    /**
     * @param  array<string, mixed>  $settings
     * @return array<string, mixed> the import when it is through
     */
    private function import(string $content, array $settings = [], string $name = 'list.csv'): array
    {
        $import = $this->bring($content, $name)->assertCreated()->json();
        $this->postJson("/studio/api/imports/{$import['id']}/start",
            $settings + ['columns' => $import['reading']['guess'], 'agreed' => true])->assertOk();
        $this->runQueue();

        return (array) $this->getJson("/studio/api/imports/{$import['id']}")->assertOk()->json();
    }

    public function test_a_list_with_mistakes_imports_who_can_be_imported_and_reports_the_rest(): void
    {
        Person::query()->create(['business_id' => $this->owner->business_id, 'email' => 'known@example.com',
            'email_key' => 'known@example.com', 'first_name' => 'Known', 'joined_at' => now()->subYear()]);
        $done = $this->import("Email,First name,Last name,Tags\nrobin@example.com,Robin,Ash,Cellist;Spring\nno "
            ."address,Kim,Elm,\n\"broken,x,y,z\nKNOWN@example.com,Other,Oak,VIP\nrobin@EXAMPLE.com,Rob,Ash,Late\n"
            .",Nobody,,\nzoë@bücher.example,Zoë,,\n",
            ['tags' => ['From the old list']]);

        self::assertSame(['done', 2, 1, 1, 3], [$done['state'], $done['added'], $done['updated'], $done['same'], $done['refused']]);
        self::assertSame([3, 4, 7], array_column($done['refusals'], 'line'));
        self::assertStringContainsString('never closed', $done['refusals'][1]['why']);
        $robin = Person::query()->with('tags')->where('email_key', 'robin@example.com')->sole();
        self::assertSame(['Robin', ['Cellist', 'From the old list', 'Late', 'Spring']],
            [$robin->first_name, $robin->tags->pluck('name')->all()]);
        $known = Person::query()->with('tags')->where('email_key', 'known@example.com')->sole();
        self::assertSame(['Known', 'Oak', 'oak', ['From the old list', 'VIP']],
            [$known->first_name, $known->last_name, $known->last_key, $known->tags->pluck('name')->all()],
            'what was empty is filled in, what was known stays');
        self::assertSame(0, DB::table('messages')->count() + DB::table('enrolments')->count(),
            'nobody is written to for having been brought in');

        $report = $this->get("/studio/api/imports/{$done['id']}/report")->assertOk()->streamedContent();
        self::assertStringContainsString('3,This does not look like an email address. Please check it for a typing mistake.,"no '
            ."address,Kim,Elm,\"\r\n", $report);
    }

    public function test_it_can_be_taken_back_and_everything_is_as_it_was(): void
    {
        $known = Person::query()->create(['business_id' => $this->owner->business_id, 'email' => 'known@example.com',
            'email_key' => 'known@example.com', 'first_name' => 'Known', 'joined_at' => now()->subYear()]);
        $before = [DB::table('people')->get(['email', 'first_name', 'last_name', 'first_key', 'phone'])->all(),
            DB::table('person_values')->get()->all(), DB::table('person_tag')->get()->all()];
        $done = $this->import("email,first_name,last_name,level,tags\nknown@example.com,Other,Oak,Beginner,VIP\n"
            ."a@example.com,A,B,Teacher,VIP\nb@example.com,B,C,,\n",
            ['known' => 'replace', 'columns' => ['email', 'first_name', 'last_name', 'level', 'tags']]);
        self::assertSame(['Other', 2, 1], [$known->refresh()->first_name, $done['added'], $done['updated']]);
        self::assertSame(2, DB::table('person_values')->where('name', 'level')->count());
        // Somebody has done something meanwhile: they stay.
        $this->join($this->live($this->owner), ['email' => 'b@example.com']);

        $this->postJson("/studio/api/imports/{$done['id']}/undo")->assertOk()->assertJsonPath('state', 'undoing');
        $this->runQueue();
        $this->getJson("/studio/api/imports/{$done['id']}")->assertJsonPath('state', 'undone')->assertJsonPath('stayed', 1);

        $stays = Person::query()->where('email_key', 'b@example.com')->sole()->id;
        self::assertEquals($before,
            [DB::table('people')->where('id', '!=', $stays)->get(['email', 'first_name', 'last_name', 'first_key', 'phone'])->all(),
                DB::table('person_values')->where('person_id', '!=', $stays)->get()->all(),
                DB::table('person_tag')->where('person_id', '!=', $stays)->get()->all()]);
        $this->postJson("/studio/api/imports/{$done['id']}/undo")->assertUnprocessable();
    }

    public function test_what_was_changed_by_hand_since_stays_when_the_list_is_taken_back(): void
    {
        $known = Person::query()->create(['business_id' => $this->owner->business_id, 'email' => 'known@example.com',
            'email_key' => 'known@example.com', 'first_name' => 'Known', 'joined_at' => now()->subYear()]);
        $done = $this->import("email,first_name,last_name,level\nknown@example.com,Other,Oak,Beginner\n"
            ."a@example.com,A,B,Teacher\nb@example.com,B,C,\n",
            ['known' => 'replace', 'columns' => ['email', 'first_name', 'last_name', 'level']]);
        $this->travel(1)->minutes();
        $this->putJson("/studio/api/people/{$known->id}", ['firstName' => 'Mended', 'fields' => ['level' => ['Advanced']]])->assertOk();
        $edited = Person::query()->where('email', 'a@example.com')->sole();
        $this->putJson("/studio/api/people/{$edited->id}", ['lastName' => 'By hand'])->assertOk();
        $this->postJson("/studio/api/imports/{$done['id']}/undo")->assertOk();
        $this->runQueue();

        $this->getJson("/studio/api/people/{$known->id}")->assertJsonPath('firstName', 'Mended')->assertJsonPath('lastName', '')
            ->assertJsonPath('fields.0.values', ['Advanced']);
        self::assertSame([['a@example.com', 'known@example.com'], 1],
            [Person::query()->orderBy('email')->pluck('email')->all(), Import::query()->findOrFail($done['id'])->stayed]);
    }

    /** @return iterable<string, array{string, array<string, mixed>}> a row that something has happened in */
    public static function happenings(): iterable
    {
        yield 'an email' => ['messages', ['id' => 'm1', 'business_id' => 1, 'kind' => 'broadcast', 'unique_key' => 'x', 'name' => 'x',
            'to_address' => 'a@example.com', 'due_at' => '2027-04-14 10:00:00.000']];
        yield 'something they did' => ['events', ['business_id' => 1, 'type' => 'viewed', 'at' => '2027-04-14 10:00:00.000000']];
        yield 'a note about them' => ['person_notes', ['id' => 'n1', 'words' => 'Called.', 'created_at' => '2027-04-14 10:00:00.000',
            'updated_at' => '2027-04-14 10:00:00.000']];
    }

    /** @param  array<string, mixed>  $row */
    #[DataProvider('happenings')]
    public function test_whoever_something_has_happened_with_stays_when_the_list_is_taken_back(string $table, array $row): void
    {
        $done = $this->import("email,first_name\na@example.com,A\nb@example.com,B\n", ['columns' => ['email', 'first_name']]);
        $person = Person::query()->where('email', 'a@example.com')->sole();
        DB::table($table)->insert(['person_id' => $person->id] + (isset($row['business_id']) ? ['business_id' => $person->business_id] : [])
            + $row);
        $this->postJson("/studio/api/imports/{$done['id']}/undo")->assertOk();
        $this->runQueue();

        self::assertSame(['a@example.com'], Person::query()->pluck('email')->all());
    }

    public function test_days_are_read_in_the_order_of_the_file_and_what_cannot_be_read_is_told(): void
    {
        $done = $this->import("email,joined\na@example.com,03/04/2025\nb@example.com,25/04/2025\nc@example.com,31/02/2025\nd@,01/01/2025\n",
            ['columns' => ['email', 'joined']]);
        self::assertSame([3, 1, 1], [$done['added'], $done['refused'], $done['noted']]);
        self::assertSame(['2025-04-02', '2025-04-24'],
            Person::query()->orderBy('email')->limit(2)->get()->map(fn (Person $p): string => $p->joined_at->format('Y-m-d'))->all(),
            'midnight in Berlin');
        self::assertSame([4, 5], array_column($done['refusals'], 'line'));
        self::assertStringContainsString('as if they had joined today: “31/02/2025”', $done['refusals'][0]['why']);
        self::assertTrue(Person::query()->where('email', 'c@example.com')->sole()->joined_at->isToday());
    }

    public function test_taking_a_long_list_back_goes_on_where_a_worker_died(): void
    {
        $csv = fn (string $name): string => "email,first_name\n"
            .implode('', array_map(fn (int $i): string => "p{$i}@example.com,{$name}\n", range(1, 250)));
        $this->import($csv('First'), ['columns' => ['email', 'first_name']]);
        $second = $this->import($csv('Second'), ['known' => 'replace', 'columns' => ['email', 'first_name']]);
        self::assertSame(250, $second['updated']);
        $this->postJson("/studio/api/imports/{$second['id']}/undo")->assertOk();
        DB::table('jobs')->delete();
        $undo = app(ImportUndo::class);
        self::assertTrue($undo->piece($second['id']));
        DB::beginTransaction();
        $undo->piece($second['id']);
        DB::rollBack();
        self::assertSame(150, Person::query()->where('first_name', 'Second')->count());
        $this->postJson("/studio/api/imports/{$second['id']}/undo")->assertUnprocessable();
        while ($undo->piece($second['id'])) {
            continue;
        }
        self::assertSame([250, 0], [Person::query()->where('first_name', 'First')->count(), DB::table('import_changes')->count()]);
        self::assertFalse($undo->piece($second['id']));
    }

    public function test_the_same_person_twice_on_a_list_is_told_of_by_both_lines(): void
    {
        $this->import("email,level,likes\na@example.com,Beginner,\na@example.com,Advanced,Bach\n",
            ['columns' => ['email', 'level', 'likes']]);
        $values = fn (): array => DB::table('person_values')->orderBy('name')->pluck('value', 'name')->all();
        self::assertSame(['level' => 'Beginner', 'likes' => 'Bach'], $values());
        $this->import("email,level,likes\nb@example.com,Beginner,Folk\nb@example.com,Advanced,\n",
            ['columns' => ['email', 'level', 'likes'], 'known' => 'replace']);
        self::assertSame(['Advanced', 'Folk'], DB::table('person_values')
            ->where('person_id', Person::query()->where('email', 'b@example.com')->value('id'))->orderBy('name')->pluck('value')->all());
    }

    public function test_a_worker_that_dies_in_the_middle_loses_nobody_and_doubles_nobody(): void
    {
        $csv = "Email,First name\n".implode('', array_map(fn (int $i): string => $i % 97 === 0 ? "broken{$i},x\n"
            : "p{$i}@example.com,\"Person {$i}\nwith two lines\"\n", range(1, 1234)));
        $import = $this->bring($csv)->json();
        $this->postJson("/studio/api/imports/{$import['id']}/start", ['columns' => ['email', 'first_name'], 'agreed' => true])->assertOk();
        $importing = app(Importing::class);
        self::assertTrue($importing->piece($import['id']));
        // The next worker dies after its work and before it is kept.
        DB::beginTransaction();
        $importing->piece($import['id']);
        DB::rollBack();
        self::assertSame(Importing::PIECE - 1, Import::query()->sole()->added + Import::query()->sole()->refused);
        while ($importing->piece($import['id'])) {
            continue;
        }
        self::assertFalse($importing->piece($import['id']), 'done is done');

        $done = Import::query()->sole();
        self::assertSame(['done', 1222, 12], [$done->state->value, $done->added, $done->refused]);
        self::assertSame([1222, 'Person 1234 with two lines'],
            [Person::query()->count(), Person::query()->where('email_key', 'p1234@example.com')->sole()->first_name]);
        self::assertSame(194, (int) DB::table('import_refusals')->min('line'),
            'line 97 of people stands where the lines before it have put it');
    }

    /** @return iterable<string, array{string, string}> */
    public static function writings(): iterable
    {
        $csv = "E-Mail;Vorname\nzoe@example.com;Zoë Müller\n";
        yield 'UTF-8 with a mark' => ["\xEF\xBB\xBF".$csv, 'UTF-8'];
        yield 'Windows-1252' => [(string) mb_convert_encoding($csv, 'Windows-1252', 'UTF-8'), 'Windows-1252'];
        yield 'UTF-16' => ["\xFF\xFE".mb_convert_encoding($csv, 'UTF-16LE', 'UTF-8'), 'UTF-16LE'];
        yield 'UTF-16 that ends in the middle of a letter' => ["\xFF\xFE".mb_convert_encoding($csv.'x', 'UTF-16LE', 'UTF-8').'x',
            'UTF-16LE'];
        yield 'UTF-16 over several pieces' => ["\xFE\xFF"
            .mb_convert_encoding($csv.str_repeat('a@example.com;𝄞'.str_repeat('x', 300)."\n", 800), 'UTF-16BE',
                'UTF-8'), 'UTF-16BE'];
        yield 'an old Mac' => [(string) iconv('UTF-8', 'MACINTOSH', str_replace("\n", "\r", $csv)), 'MACINTOSH'];
        yield 'what no encoding has' => [mb_convert_encoding($csv, 'Windows-1252', 'UTF-8')."x@example.com;\x81\xE9\xE8\xFC\n",
            'Windows-1252'];
        yield 'an old Mac, far down' => ["E-Mail;Vorname\n".str_repeat("a@example.com;Al\n", 6000)
            .iconv('UTF-8', 'MACINTOSH', "zoe@example.com;Zoë Müller\n"), 'UTF-8'];
        yield 'empty lines first' => ["\n \n".$csv, 'UTF-8'];
        yield 'old line ends' => [str_replace("\n", "\r", $csv), 'UTF-8'];
        yield 'line ends of two' => [str_replace("\n", "\r\n", $csv), 'UTF-8'];
        yield 'one line of another encoding far down' => [$csv.str_repeat("x@example.com;Ü\n", 6000)
            .mb_convert_encoding("late@example.com;Zoë\n", 'Windows-1252', 'UTF-8'), 'UTF-8'];
    }

    #[DataProvider('writings')]
    public function test_however_it_is_written(string $file, string $encoding): void
    {
        $done = $this->import($file);

        self::assertSame([$encoding, ';', ['email', 'first_name']],
            [$done['reading']['encoding'], $done['reading']['delimiter'], $done['reading']['guess']]);
        self::assertSame('Zoë Müller', Person::query()->where('email_key', 'zoe@example.com')->sole()->first_name);
        self::assertSame(str_contains($file, 'late@') ? 'Zoë' : null,
            Person::query()->where('email_key', 'late@example.com')->value('first_name'));
    }

    public function test_cards_are_read_too(): void
    {
        $cards = "BEGIN:VCARD\r\nVERSION:3.0\r\nN:Ash;Robin;;;\r\nFN:Robin Ash\r\nEMAIL;TYPE=home:robin@example.com\r\nTEL:+49 30 "
            ."1234\r\nCATEGORIES:Cellist,Spring\r\nEND:VCARD\r\n"
            ."BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Kim van "
                ."Elm\r\nEMAIL:kim@example.com\r\nEND:VCARD\r\nBEGIN:VCARD\r\nVERSION:4.0\r\nFN:Nobody\r\nEND:VCARD\r\n";
        $done = $this->import($cards, name: 'people.vcf');

        self::assertSame(['vCard', 2, 1], [$done['reading']['format'], $done['added'], $done['refused']]);
        $robin = Person::query()->with('tags')->where('email_key', 'robin@example.com')->sole();
        self::assertSame(['Robin', 'Ash', '+49 30 1234', ['Cellist', 'Spring']],
            [$robin->first_name, $robin->last_name, $robin->phone, $robin->tags->pluck('name')->all()]);
        self::assertSame('Elm', Person::query()->where('email_key', 'kim@example.com')->value('last_name'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function hostile(): iterable
    {
        yield 'nothing' => ['', 'empty'];
        yield 'only line ends' => ["\n\n\n", 'nothing to read'];
        yield 'a million columns' => [str_repeat('a,', 1_000_000)."\n", 'columns'];
        yield 'a spreadsheet' => ["PK\x03\x04".str_repeat('x', 100), 'not a list in CSV'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n".random_bytes(5000), 'not a list in CSV'];
    }

    #[DataProvider('hostile')]
    public function test_what_is_no_list_is_refused_with_a_reason(string $file, string $sentence): void
    {
        $answer = $this->bring($file)->assertUnprocessable();

        self::assertStringContainsString($sentence, (string) $answer->json('message'));
        self::assertSame(0, Import::query()->count());
    }

    public function test_formulas_and_script_stay_text_in_import_and_export(): void
    {
        $this->import("email,first_name\nrobin@example.com,\"=HYPERLINK(\"\"http://evil.example\"\")\"\n"
            ."kim@example.com,<script>alert(1)</script>\n");
        self::assertSame('=HYPERLINK("http://evil.example")',
            Person::query()->where('email_key', 'robin@example.com')->value('first_name'));

        $csv = $this->get('/studio/api/people/export/csv')->assertOk()->streamedContent();
        self::assertStringContainsString('"\'=HYPERLINK(""http://evil.example"")"', $csv);
        // And what went out comes in as it was.
        DB::table('people')->delete();
        $this->import($csv);
        self::assertSame('=HYPERLINK("http://evil.example")',
            Person::query()->where('email_key', 'robin@example.com')->value('first_name'));
    }

    public function test_a_line_a_megabyte_long_costs_itself_alone(): void
    {
        $done = $this->import("email,first_name\na@example.com,A\nb@example.com,".str_repeat('x', 1_000_000)."\nc@example.com,C\n");

        self::assertSame([2, 1], [$done['added'], $done['refused']]);
    }

    public function test_whoever_must_not_be_written_to_is_not_made_so_by_a_list(): void
    {
        Suppressions::add($this->owner->business_id, 'Bounced@example.com', 'bounced');
        Suppressions::add($this->owner->business_id, 'left@example.com', 'unsubscribed');
        $gone = Person::query()->create(['business_id' => $this->owner->business_id, 'email' => 'gone@example.com',
            'email_key' => 'gone@example.com', 'joined_at' => now(), 'unsubscribed_at' => now()]);
        $this->import("email\nbounced@example.com\nleft@example.com\ngone@example.com\n", ['known' => 'replace']);

        self::assertSame(['bounced', 'unsubscribed', 'unsubscribed'],
            Person::query()->whereIn('email_key', ['bounced@example.com', 'gone@example.com', 'left@example.com'])->orderBy('email_key')
                ->get()->map(fn (Person $p): string => $p->subscription()->value)->all());
        self::assertNotNull($gone->refresh()->unsubscribed_at);
    }

    public function test_nobody_elses_list_can_be_touched(): void
    {
        $import = $this->bring("email\na@example.com\n")->json();
        $this->actingAs($this->owner('other@ferncroft.example'));
        foreach (['start', 'stop', 'undo'] as $verb) {
            $this->postJson("/studio/api/imports/{$import['id']}/{$verb}", ['columns' => ['email'], 'agreed' => true])->assertNotFound();
        }
        $this->getJson("/studio/api/imports/{$import['id']}")->assertNotFound();
        $this->get("/studio/api/imports/{$import['id']}/report")->assertNotFound();
    }

    public function test_a_list_that_is_stopped_imports_no_more_and_can_be_taken_back(): void
    {
        $import = $this->bring("email\na@example.com\nb@example.com\n")->assertCreated()->json();
        $this->postJson("/studio/api/imports/{$import['id']}/stop")->assertOk()->assertJsonPath('state', $import['state']);
        $this->postJson("/studio/api/imports/{$import['id']}/start", ['columns' => $import['reading']['guess'], 'agreed' => true])
            ->assertOk();
        $this->postJson("/studio/api/imports/{$import['id']}/stop")->assertOk()->assertJsonPath('state', 'stopped');
        $this->runQueue();
        self::assertSame(0, Person::query()->count(), 'it was stopped before its first line');
        $this->postJson("/studio/api/imports/{$import['id']}/undo")->assertOk();
        $this->runQueue();
        self::assertSame(0, Person::query()->count());
    }
}
