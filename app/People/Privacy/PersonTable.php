<?php

declare(strict_types=1);

namespace App\People\Privacy;

use Illuminate\Support\Facades\DB;

/** A table with rows that belong to people, by `person_id`: what becomes of them when a person is merged, erased or archived. */
final readonly class PersonTable
{
    /**
     * @param  array<string, mixed>|null  $erased  what is written over rows that stay when their person is erased; null where they go
     * @param  list<string>  $columns  of the archive
     * @param  class-string<TellsHistory>|null  $toldBy
     */
    private function __construct(
        public string $table,
        public ?array $erased = null,
        private string $once = '',
        private bool $moves = true,
        public string $archivedAs = '',
        private array $columns = [],
        private bool $canBeDeleted = false,
        public ?string $toldBy = null,
        private string $openOnce = '',
    ) {
    }

    /** Rows go along to the person who stays. */
    public static function of(string $table): self
    {
        return new self($table);
    }

    /** Of each value of the column a person has one only: whoever stays keeps theirs, and gets what they have not. */
    public function onceBy(string $column): self
    {
        return $this->with(once: $column);
    }

    /** Of each value of the column a person has one row only that is open; of two, the one of whoever stays. The other is closed. */
    public function openOnceBy(string $column): self
    {
        return $this->with(openOnce: $column);
    }

    /** Rows speak of one person alone, and go when that person is merged into another. */
    public function endingWithThem(): self
    {
        return $this->with(moves: false);
    }

    /** @param  array<string, mixed>  $with  what is written over what says who they were */
    public function keptAsNumbers(array $with): self
    {
        return $this->with(erased: $with);
    }

    /**
     * Rows are in the person's archive, in a list of this name.
     *
     * @param  list<string>  $columns
     * @param  bool  $canBeDeleted  are there rows that their owner threw away, which wait for an undo?
     */
    public function archivedAs(string $name, array $columns, bool $canBeDeleted = false): self
    {
        return $this->with(archivedAs: $name, columns: $columns, canBeDeleted: $canBeDeleted);
    }

    /**
     * Rows are told in the person's history.
     *
     * @param  class-string<TellsHistory>  $by
     */
    public function toldBy(string $by): self
    {
        return $this->with(toldBy: $by);
    }

    private function with(mixed ...$changes): self
    {
        return new self(...[...get_object_vars($this), ...$changes]);
    }

    public function merge(string $goes, string $stays): void
    {
        if ($this->once !== '') {
            DB::table($this->table)->where('person_id', $goes)
                ->whereIn($this->once, DB::table($this->table)->where('person_id', $stays)->select($this->once))->delete();
        }
        if ($this->openOnce !== '') {
            DB::table($this->table)->where('person_id', $goes)->whereNotNull('open')->whereIn($this->openOnce,
                DB::table($this->table)->where('person_id', $stays)->whereNotNull('open')->select($this->openOnce))
                ->update(['open' => null, 'state' => 'cancelled']);
        }
        $rows = DB::table($this->table)->where('person_id', $goes);
        $this->moves ? $rows->update(['person_id' => $stays]) : $rows->delete();
    }

    public function erase(string $person): void
    {
        $rows = DB::table($this->table)->where('person_id', $person);
        if ($this->erased !== []) {
            $this->erased === null ? $rows->delete() : $rows->update($this->erased);
        }
    }

    /** @return list<array<string, mixed>> the rows of one person */
    public function archive(string $person): array
    {
        return array_values(DB::table($this->table)->where('person_id', $person)
            ->when($this->canBeDeleted, fn ($q) => $q->whereNull('deleted_at'))
            ->get($this->columns)->map(fn (object $row): array => (array) $row)->all());
    }
}
