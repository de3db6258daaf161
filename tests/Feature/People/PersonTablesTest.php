<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\People\Privacy\PersonTable;
use App\People\Privacy\PersonTables;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Tests\TestCase;

final class PersonTablesTest extends TestCase
{
    public function test_every_table_with_rows_of_people_is_registered_once(): void
    {
        $found = array_values(array_filter(array_column(Schema::getTables(), 'name'), fn (string $table): bool => Schema::hasColumn($table, 'person_id')));
        $registered = array_map(fn (PersonTable $t): string => $t->table, PersonTables::all());
        sort($found);
        sort($registered);

        self::assertSame($found, $registered);
    }

    public function test_the_archive_has_what_its_tables_say_and_no_note_that_was_thrown_away(): void
    {
        $person = $this->joined();
        DB::table('person_notes')->insert([
            ['id' => 'kept', 'person_id' => $person, 'words' => 'Plays the cello', 'created_at' => '2026-01-02 03:04:05', 'deleted_at' => null],
            ['id' => 'gone', 'person_id' => $person, 'words' => 'A slip', 'created_at' => '2026-01-02 03:04:05', 'deleted_at' => '2026-01-03 00:00:00'],
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

    private function joined(): string
    {
        $this->join($this->live(), ['first_name' => 'Robin', 'email' => 'robin@example.com'])->assertStatus(303);

        return (string) DB::table('people')->value('id');
    }
}
