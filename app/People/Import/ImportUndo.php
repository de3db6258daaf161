<?php

declare(strict_types=1);

namespace App\People\Import;

use App\Models\Import;
use App\Models\ImportState;
use App\People\Fields\OwnFields;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Invalid;

/**
 * Takes an import back, some hundred people in one short transaction: what it changed is as it was, unless it was changed
 * again since; whom it added goes, unless something has happened with them since.
 */
final class ImportUndo
{
    private const CHANGES = 100;

    private const PEOPLE = 1000;

    /** @throws Invalid when there is nothing to take back */
    public function start(Import $import): void
    {
        // Not through the model: when the list was through is kept, since what was changed by hand was changed after that.
        if (DB::table('imports')->where('id', $import->id)->whereIn('state', [ImportState::Done, ImportState::Stopped])
            ->update(['state' => ImportState::Undoing]) === 0) {
            throw Invalid::at('import', 'Only a list that has been imported can be undone.');
        }
        UndoImport::dispatch($import->id);
    }

    /** @return bool is there more to do? */
    public function piece(string $id): bool
    {
        return DB::transaction(function () use ($id): bool {
            $import = Import::query()->where('id', $id)->where('state', ImportState::Undoing)->first();
            if ($import === null) {
                return false;
            }
            $changes = DB::table('import_changes')->where('import_id', $id)->orderByDesc('id')->limit(self::CHANGES)->get();
            if ($changes->isNotEmpty()) {
                foreach ($changes as $change) {
                    $this->putBack((string) $change->person_id, (array) json_decode((string) $change->before, true));
                }
                DB::table('import_changes')->whereIn('id', $changes->pluck('id'))->delete();

                return true;
            }
            $free = $this->free($import)->limit(self::PEOPLE)->pluck('people.id')->all();
            if ($free !== []) {
                DB::table('people')->whereIn('id', $free)->delete();

                return true;
            }
            DB::table('imports')->where('id', $id)->update(['state' => ImportState::Undone,
                'undone_at' => Instant::sql(CarbonImmutable::now()), 'stayed' => $this->added($import)->count()]);

            return false;
        });
    }

    /** @param  array<array-key, mixed>  $change */
    private function putBack(string $person, array $change): void
    {
        foreach ((array) ($change['columns'] ?? []) as $column => $was) {
            DB::table('people')->where('id', $person)->where((string) $column, ((array) ($change['became'] ?? []))[$column] ?? '')
                ->update([(string) $column => $was]);
        }
        DB::table('person_tag')->where('person_id', $person)->whereIn('tag_id', (array) ($change['tags'] ?? []))->delete();
        foreach ((array) ($change['values'] ?? []) as $name => $values) {
            $now = DB::table('person_values')->where('person_id', $person)->where('name', $name)->orderBy('id')->pluck('value')
                ->map(fn ($v): string => (string) $v)->all();
            if (is_array($values) && $now === ($values['became'] ?? null)) {
                OwnFields::set($person, (string) $name, array_values(array_map(strval(...), (array) ($values['was'] ?? []))));
            }
        }
    }

    private function added(Import $import): Builder
    {
        return DB::table('people')->where('import_id', $import->id)->whereNull('erased_at');
    }

    /** Those it added with whom nothing has happened: they did not join, were not written to, and nobody wrote anything about them. */
    private function free(Import $import): Builder
    {
        $query = $this->added($import)->where('people.updated_at', '<=', Instant::sql($import->updated_at));
        foreach (['submissions', 'messages', 'events', 'person_notes'] as $table) {
            $query->whereNotExists(fn (Builder $q) => $q->selectRaw('1')->from($table)->whereColumn("{$table}.person_id", 'people.id'));
        }

        return $query;
    }
}
