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
        Schema::table('people', function (Blueprint $table): void {
            // Names in small letters, for searching and for rules: the database knows capitals of plain letters only.
            $table->string('first_key', 100)->default('');
            $table->string('last_key', 100)->default('');
            $table->timestamp('confirmed_at', 3)->nullable();
            // Waits for its address to be confirmed, and has never joined otherwise.
            $table->boolean('pending')->default(false);
            $table->boolean('marketing')->default(true);
            // Their mailbox refused a message for good (`bounced`), or they reported one (`complained`).
            $table->string('suppressed', 12)->nullable();
            $table->timestamp('quiet_until', 3)->nullable();
            $table->timestamp('active_at', 3)->nullable();
            $table->timestamp('erased_at', 3)->nullable();
            $table->ulid('import_id')->nullable()->index();
            // Lists and counts are answered from these alone, however far back one turns.
            $table->index(['business_id', 'erased_at', 'joined_at', 'id']);
            $table->index(['business_id', 'erased_at', 'active_at', 'id']);
            $table->index(['business_id', 'first_key', 'last_key']);
        });
        DB::statement('update people set first_key = lower(first_name), last_key = lower(last_name), active_at = (select max(at) from '
            .'events where events.person_id = people.id)');
        foreach (DB::table('people')->get(['id', 'first_name', 'last_name']) as $person) {
            $keys = ['first_key' => mb_strtolower((string) $person->first_name), 'last_key' => mb_strtolower((string) $person->last_name)];
            if ($keys !== ['first_key' => strtolower((string) $person->first_name),
                'last_key' => strtolower((string) $person->last_name)]) {
                DB::table('people')->where('id', $person->id)->update($keys);
            }
        }
        // The owner's own fields, and what is known of each person in them. Several choices are several rows.
        Schema::create('own_fields', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->string('name', 40);
            $table->string('label', 120);
            $table->string('kind', 20);
            $table->json('options')->default('[]');
            $table->timestamps(3);
            $table->unique(['business_id', 'name']);
        });
        Schema::create('person_values', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('name', 40);
            $table->text('value');
            $table->string('value_key', 300);
            $table->double('number')->nullable();
            $table->index(['person_id', 'name']);
            $table->index(['name', 'value_key', 'person_id']);
        });
        Schema::create('person_notes', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('user_id')->nullable();
            $table->text('words');
            $table->timestamp('deleted_at', 3)->nullable();
            $table->timestamps(3);
        });
        // Addresses that must not be written to, by a keyed hash, so that the rule outlives the person's data.
        Schema::create('suppressions', function (Blueprint $table): void {
            $table->foreignId('business_id')->constrained();
            $table->char('address_hash', 64);
            $table->string('why', 12);
            $table->timestamp('at', 3);
            $table->primary(['business_id', 'address_hash']);
        });
        // Choosing less instead of none: `broadcasts`, or the id of a sequence.
        Schema::create('opt_outs', function (Blueprint $table): void {
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('what', 30);
            $table->timestamp('at', 3);
            $table->primary(['person_id', 'what']);
        });
        Schema::table('submissions', function (Blueprint $table): void {
            $table->string('state', 10)->default('taken');
            $table->boolean('marketing')->nullable();
            $table->text('marketing_words')->nullable();
            $table->timestamp('confirmed_at', 3)->nullable();
            $table->string('confirmed_ip', 45)->nullable();
            $table->string('visitor', 32)->nullable();
            $table->index(['form_id', 'submitted_at']);
        });
        // Links in confirmation mails: each works once, for a while.
        Schema::create('confirmations', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('submission_id')->constrained()->cascadeOnDelete();
            $table->timestamp('expires_at', 3);
            $table->timestamp('used_at', 3)->nullable();
            $table->timestamps(3);
        });
        Schema::table('events', function (Blueprint $table): void {
            $table->index(['visitor']);
            $table->index(['page_id', 'type', 'at', 'visitor']);
            $table->index(['business_id', 'type', 'at', 'person_id']);
            $table->index(['person_id', 'type', 'at']);
        });
        Schema::create('segments', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('name', 120);
            $table->json('rules');
            $table->timestamp('deleted_at', 3)->nullable();
            $table->timestamps(3);
        });
        Schema::create('imports', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('name');
            $table->string('path');
            $table->json('reading');
            $table->json('settings')->default('{}');
            $table->string('state', 12)->default('new');
            $table->unsignedBigInteger('at_byte')->default(0);
            $table->unsignedInteger('at_line')->default(0);
            $table->unsignedInteger('lines')->default(0);
            $table->unsignedInteger('added')->default(0);
            $table->unsignedInteger('updated')->default(0);
            $table->unsignedInteger('same')->default(0);
            $table->unsignedInteger('refused')->default(0);
            $table->unsignedInteger('noted')->default(0);
            $table->unsignedInteger('stayed')->nullable();
            $table->timestamp('undone_at', 3)->nullable();
            $table->timestamps(3);
        });
        Schema::create('import_refusals', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('import_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('line');
            $table->string('why', 300);
            $table->text('raw');
        });
        // What an import changed of people who were there, to put it back.
        Schema::create('import_changes', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('import_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->json('before');
            $table->index(['import_id', 'id']);
        });
        Schema::create('bulk_acts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('kind', 20);
            $table->json('data');
            $table->unsignedInteger('people')->default(0);
            $table->timestamp('undone_at', 3)->nullable();
            $table->timestamps(3);
        });
        Schema::create('bulk_act_people', function (Blueprint $table): void {
            $table->foreignUlid('bulk_act_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->primary(['bulk_act_id', 'person_id']);
        });
    }
};
