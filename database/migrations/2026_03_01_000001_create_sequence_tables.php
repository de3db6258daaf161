<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sequences', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->json('definition')->default('{}');
            $table->unsignedInteger('revision')->default(1);
            // Standing still is at once and for everybody in it; it is not part of a version.
            $table->timestamp('paused_at', 3)->nullable();
            // While it is going on again: since when, and the last enrolment for which it does.
            $table->timestamp('resumes_at', 3)->nullable();
            $table->unsignedBigInteger('resume_place')->default(0);
            $table->timestamp('deleted_at', 3)->nullable();
            $table->timestamps(3);
        });
        Schema::table('forms', function (Blueprint $table): void {
            $table->timestamp('deleted_at', 3)->nullable();
        });
        Schema::table('emails', function (Blueprint $table): void {
            $table->ulid('sequence_id')->nullable()->index();
            $table->json('only')->nullable();
        });
        // Who is in which sequence, since when, and how it ended.
        Schema::create('enrolments', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->ulid('sequence_id');
            $table->foreignUlid('funnel_id')->constrained();
            $table->timestamp('started_at', 3);
            $table->unsignedInteger('run')->default(1);
            $table->unsignedInteger('paused_seconds')->default(0);
            $table->timestamp('ended_at', 3)->nullable();
            $table->string('ended_why', 200)->nullable();
            $table->unique(['person_id', 'sequence_id']);
            $table->index(['sequence_id', 'ended_at']);
        });
        Schema::table('messages', function (Blueprint $table): void {
            $table->foreignUlid('person_id')->nullable()->change();
            $table->ulid('sequence_id')->nullable();
            $table->ulid('broadcast_id')->nullable();
            $table->string('variant', 1)->nullable();
            // What is written out in this message and nowhere else, such as a notice to the owner.
            $table->json('content')->nullable();
            $table->timestamp('opened_at', 3)->nullable();
            $table->unsignedInteger('opens')->default(0);
            $table->timestamp('clicked_at', 3)->nullable();
            $table->unsignedInteger('clicks')->default(0);
            $table->timestamp('lost_at', 3)->nullable();
            $table->string('lost_why', 12)->nullable();
            $table->index(['person_id', 'sequence_id']);
            $table->index(['business_id', 'sent_at']);
            $table->index(['business_id', 'queued_at']);
        });
        // What the numbers of emails and broadcasts are counted from, so that no letter has to be read for it.
        DB::statement('create index messages_of_emails on messages (funnel_id, email_id, state, opened_at, clicked_at, lost_at) where '
            .'email_id is not null');
        DB::statement('create index messages_of_broadcasts on messages (broadcast_id, state, opened_at, clicked_at, lost_at) where '
            .'broadcast_id is not null');
        DB::statement("create index messages_that_wait on messages (funnel_id, sequence_id, person_id) where state = 'waiting' and "
            .'sequence_id is not null');
        // Until now all emails of a funnel were one sequence that every form started.
        foreach (DB::table('funnels')->whereIn('id', DB::table('emails')->select('funnel_id'))->get(['id', 'created_at']) as $funnel) {
            DB::table('sequences')->insert(['id' => $funnel->id, 'funnel_id' => $funnel->id, 'name' => 'Follow-up',
                'created_at' => $funnel->created_at, 'updated_at' => $funnel->created_at]);
            DB::table('emails')->where('funnel_id', $funnel->id)->update(['sequence_id' => $funnel->id]);
            DB::table('messages')->where('funnel_id', $funnel->id)->where('kind', 'sequence')->update(['sequence_id' => $funnel->id]);
            foreach (DB::table('forms')->where('funnel_id', $funnel->id)->get(['id', 'definition']) as $form) {
                DB::table('forms')->where('id', $form->id)
                    ->update(['definition' => json_encode(json_decode((string) $form->definition, true) + ['start' => [$funnel->id]],
                        JSON_THROW_ON_ERROR)]);
            }
            DB::statement('insert or ignore into enrolments (person_id, sequence_id, funnel_id, started_at) select person_id, funnel_id, '
                .'funnel_id, min(submitted_at) from submissions where funnel_id = ? group by person_id', [$funnel->id]);
        }
    }
};
