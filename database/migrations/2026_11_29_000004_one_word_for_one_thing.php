<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\EarlierParts;
use Lantern\Core\Rules\EarlierRules;

/**
 * Drafts, segments, broadcasts and kept parts of emails are written in today's form, in which one word means one thing. What
 * was published stays as it was written and is brought up to date whenever it is read.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach (DB::table('draft_parts')->select(['id', 'kind', 'definition'])->orderBy('id')->lazyById(200) as $row) {
            $this->change('draft_parts', (array) $row, 'definition',
                fn (array $part): array => array_diff_key(EarlierParts::upgrade(['kind' => $row->kind] + $part), ['kind' => 0]));
        }
        foreach (DB::table('published_pages')->whereNotNull('popup')->select(['id', 'popup'])->orderBy('id')->lazyById(200) as $row) {
            $this->change('published_pages', (array) $row, 'popup',
                fn (array $popup): array => array_diff_key(EarlierParts::upgrade(['kind' => 'popup'] + $popup), ['kind' => 0]));
        }
        foreach (['segments' => 'rules', 'broadcasts' => 'audience'] as $table => $column) {
            foreach (DB::table($table)->whereNotNull($column)->select(['id', $column])->get() as $row) {
                $this->change($table, (array) $row, $column, EarlierRules::upgrade(...));
            }
        }
        foreach (['broadcasts', 'email_parts'] as $table) {
            foreach (DB::table($table)->where('body', 'like', '%data-only%')->get(['id', 'body']) as $row) {
                DB::table($table)->where('id', $row->id)->update(['body' => EarlierRules::inBody((string) $row->body)]);
            }
        }
        foreach (EarlierParts::FIELD_KINDS as $was => $is) {
            DB::table('own_fields')->where('kind', $was)->update(['kind' => $is]);
        }
    }

    /**
     * @param  array<array-key, mixed>  $row
     * @param  callable(array<array-key, mixed>): array<array-key, mixed>  $change
     */
    private function change(string $table, array $row, string $column, callable $change): void
    {
        $was = json_decode((string) $row[$column], true);
        if (is_array($was) && ($is = $change($was)) !== $was) {
            DB::table($table)->where('id', $row['id'])
                ->update([$column => json_encode((object) $is, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
        }
    }
};
