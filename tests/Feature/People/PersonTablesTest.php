<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\Models\Person;
use App\People\Privacy\Merge;
use App\People\Privacy\PersonTable;
use App\People\Privacy\PersonTables;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Tests\TestCase;

final class PersonTablesTest extends TestCase
{
    public function test_every_table_with_rows_of_people_is_registered_once(): void
    {
        $found = array_values(array_filter(array_column(Schema::getTables(), 'name'),
            fn (string $table): bool => Schema::hasColumn($table, 'person_id')));
        $registered = array_map(fn (PersonTable $t): string => $t->table, PersonTables::all());
        sort($found);
        sort($registered);

        self::assertSame($found, $registered);
    }

    public function test_the_archive_has_what_its_tables_say_and_no_note_that_was_thrown_away(): void
    {
        $person = $this->joined();
        DB::table('person_notes')->insert([
            ['id' => 'kept', 'person_id' => $person, 'words' => 'Plays the cello', 'created_at' => '2026-01-02 03:04:05',
                'deleted_at' => null],
            ['id' => 'gone', 'person_id' => $person, 'words' => 'A slip', 'created_at' => '2026-01-02 03:04:05',
                'deleted_at' => '2026-01-03 00:00:00'],
        ]);
        DB::table('opt_outs')->insert(['person_id' => $person, 'what' => 'broadcasts', 'at' => '2026-01-02 03:04:05']);
        $archived = [];
        foreach (PersonTables::all() as $table) {
            if ($table->archivedAs !== '') {
                $archived[$table->archivedAs] = $table->archive($person);
            }
        }

        self::assertSame([['words' => 'Plays the cello', 'created_at' => '2026-01-02 03:04:05']], $archived['notes']);
        self::assertSame([['what' => 'broadcasts', 'at' => '2026-01-02 03:04:05']], $archived['optOuts']);
        self::assertSame(['sequence_id', 'started_at', 'ended_at', 'ended_why'], array_keys($archived['sequences'][0]));
    }

    public function test_of_what_a_person_has_once_the_one_who_stays_keeps_theirs_and_gets_the_rest(): void
    {
        $funnel = $this->live();
        foreach (['ada@example.com', 'zora@example.com'] as $email) {
            $this->join($funnel, ['first_name' => 'Robin', 'email' => $email])->assertStatus(303);
        }
        [$goes, $stays] = Person::query()->orderBy('email')->get()->all();
        DB::table('opt_outs')->insert([['person_id' => $goes->id, 'what' => 'broadcasts', 'at' => '2026-01-01'],
            ['person_id' => $stays->id, 'what' => 'broadcasts', 'at' => '2026-02-02'],
            ['person_id' => $goes->id, 'what' => 'a-sequence', 'at' => '2026-03-03']]);
        DB::table('deliveries')->where('person_id', $stays->id)->update(['downloads' => 3]);
        $goes->forceFill(['language' => 'de-x-formal', 'timezone' => 'Europe/Berlin'])->save();
        $stays->forceFill(['language' => null, 'timezone' => 'Europe/Oslo'])->save();
        $of = fn (string $table, string $column): array => DB::table($table)->where('person_id', $stays->id)->orderBy($column)
            ->pluck($column)->all();
        $before = [$of('person_tag', 'tag_id'), $of('enrolments', 'sequence_id'), $of('deliveries', 'lead_magnet_id')];
        self::assertNotContains([], $before);

        app(Merge::class)->merge($stays, $goes);

        self::assertSame(['de-x-formal', 'Europe/Oslo'], [$stays->refresh()->language, $stays->timezone]);
        self::assertSame($before, [$of('person_tag', 'tag_id'), $of('enrolments', 'sequence_id'), $of('deliveries', 'lead_magnet_id')]);
        self::assertSame(3, (int) DB::table('deliveries')->where('person_id', $stays->id)->value('downloads'), 'their own, not the other');
        self::assertSame(['2026-02-02', '2026-03-03'], $of('opt_outs', 'at'));
        foreach (['person_tag', 'enrolments', 'deliveries', 'opt_outs', 'submissions', 'messages'] as $table) {
            self::assertSame(0, DB::table($table)->where('person_id', $goes->id)->count(), $table);
        }
    }

    private function joined(): string
    {
        $this->join($this->live(), ['first_name' => 'Robin', 'email' => 'robin@example.com'])->assertStatus(303);

        return (string) DB::table('people')->value('id');
    }
}
