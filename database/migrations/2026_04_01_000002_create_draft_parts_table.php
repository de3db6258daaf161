<?php

declare(strict_types=1);

use Illuminate\Contracts\Database\Query\Expression;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// The parts of a draft are rows of one table, whatever their kind; what each holds is its written form.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('draft_parts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 30);
            $table->string('name', 200);
            $table->unsignedInteger('position')->default(0);
            $table->json('definition');
            $table->unsignedInteger('revision')->default(1);
            // What to put back when a part that was removed is wanted again.
            $table->json('removed')->nullable();
            $table->timestamps(3);
            $table->index(['funnel_id', 'kind', 'position']);
        });
        // Standing still is at once and for everybody in the sequence; it is not part of a version.
        Schema::create('sequence_pauses', function (Blueprint $table): void {
            $table->ulid('sequence_id')->primary();
            $table->timestamp('paused_at', 3);
            // While it is going on again: since when, and the last enrolment for which it does.
            $table->timestamp('resumes_at', 3)->nullable();
            $table->unsignedBigInteger('resume_place')->default(0);
        });
        $this->copy('pages', 'page', function (stdClass $row): array {
            $was = (array) json_decode((string) $row->taken_out, true);
            $row->address = $was['address'] ?? $row->address;
            $settings = (array) json_decode((string) $row->settings, true);

            return ['role' => $row->role, 'address' => $row->address, 'document' => json_decode((string) $row->document, true)]
                + ($settings === [] ? [] : ['settings' => $settings]);
        }, fn (stdClass $row): ?array => $row->taken_out === null ? null
        : array_diff_key((array) json_decode((string) $row->taken_out, true), ['address' => 0]));
        $deleted = fn (stdClass $row): ?array => $row->deleted_at === null ? null : ['at' => $row->deleted_at];
        $this->copy('forms', 'form', fn (stdClass $row): array => (array) json_decode((string) $row->definition, true), $deleted);
        $this->copy('sequences', 'sequence', fn (stdClass $row): array => (array) json_decode((string) $row->definition, true), $deleted);
        $this->copy('emails', 'email', function (stdClass $row): array {
            $delay = (array) json_decode((string) $row->delay, true);
            $only = (array) json_decode((string) $row->only, true);

            return ['subject' => $row->subject, 'body' => $row->body] + ($delay === [] ? [] : ['delay' => $delay])
                + ($row->sequence_id === null ? [] : ['sequence' => $row->sequence_id]) + ($only === [] ? [] : ['only' => $only]);
        }, $deleted);
        $this->copy('lead_magnets', 'lead-magnet', function (stdClass $row): array {
            $upload = $row->upload_id === null ? null : DB::table('uploads')->where('id', $row->upload_id)->first();

            return ['title' => $row->title] + ($upload === null ? []
                : ['file' => $upload->id, 'fileName' => $upload->name, 'mime' => $upload->mime, 'bytes' => (int) $upload->bytes]);
        });
        $this->copy('shared_sections', 'shared-section',
            fn (stdClass $row): array => ['section' => ['id' => $row->id] + (array) json_decode((string) $row->section, true)]);
        foreach (DB::table('sequences')->whereNotNull('paused_at')->get() as $sequence) {
            DB::table('sequence_pauses')->insert(['sequence_id' => $sequence->id, 'paused_at' => $sequence->paused_at,
                'resumes_at' => $sequence->resumes_at, 'resume_place' => $sequence->resume_place]);
        }
        // No two pages of a funnel have one address.
        DB::statement("create unique index draft_pages_address on draft_parts (funnel_id, json_extract(definition, '$.address')) where "
            ."kind = 'page' and removed is null");
        $ways = DB::table('ways')->join('pages', 'pages.id', '=', 'ways.page_id')->orderBy('ways.id')
            ->get(['pages.funnel_id', 'page_id', 'outcome', 'to_page', 'to_url']);
        Schema::drop('ways');
        Schema::create('ways', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->ulid('page_id');
            $table->string('outcome', 20);
            $table->ulid('to_page')->nullable();
            $table->string('to_url', 2000)->nullable();
            $table->unique(['page_id', 'outcome']);
        });
        foreach ($ways as $way) {
            DB::table('ways')->insert((array) $way);
        }
        // These sentences are also looked for, so they are written as the application writes them now.
        $removed = fn (string $column): Expression => DB::raw("replace(replace({$column}, 'The email was taken out of the funnel', "
            ."'The email was removed from the funnel'), 'Taken out of the sequence', 'Removed from the sequence')");
        DB::table('messages')->whereNotNull('trouble')->update(['trouble' => $removed('trouble')]);
        DB::table('enrolments')->whereNotNull('ended_why')->update(['ended_why' => $removed('ended_why')]);
        foreach (['pages', 'forms', 'emails', 'sequences', 'lead_magnets', 'shared_sections'] as $table) {
            Schema::drop($table);
        }
    }

    /**
     * @param  callable(stdClass): array<string, mixed>  $definition
     * @param  (callable(stdClass): (array<string, mixed>|null))|null  $removed
     */
    private function copy(string $table, string $kind, callable $definition, ?callable $removed = null): void
    {
        $positions = [];
        foreach (DB::table($table)->orderBy('id')->get() as $row) {
            $name = $row->name ?? $row->title;
            $positions[$row->funnel_id] = ($positions[$row->funnel_id] ?? -1) + 1;
            $gone = $removed === null ? null : $removed($row);
            DB::table('draft_parts')->insert(['id' => $row->id, 'funnel_id' => $row->funnel_id, 'kind' => $kind, 'name' => $name,
                'position' => $row->position ?? $positions[$row->funnel_id],
                'definition' => json_encode((isset($row->name) ? ['name' => $name] : []) + $definition($row), JSON_THROW_ON_ERROR),
                'revision' => $row->revision,
                'removed' => $gone === null ? null : json_encode($gone, JSON_THROW_ON_ERROR), 'created_at' => $row->created_at,
                'updated_at' => $row->updated_at]);
        }
    }
};
