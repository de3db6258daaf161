<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Rules of a whole business; those of a funnel are parts of its draft and its versions.
        Schema::create('business_rules', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->unsignedInteger('position');
            $table->unsignedInteger('revision')->default(1);
            $table->json('definition');
            $table->timestamp('removed_at', 3)->nullable();
            $table->timestamps(3);
            $table->index(['business_id', 'removed_at', 'position']);
        });
        // What each of them waits for, as `version_triggers` says it of versions.
        Schema::create('rule_triggers', function (Blueprint $table): void {
            $table->foreignUlid('rule_id')->constrained('business_rules')->cascadeOnDelete();
            $table->string('trigger_key', 120);
            // What happened before it was waited for sets nothing off.
            $table->timestamp('since', 3);
            $table->primary(['rule_id', 'trigger_key']);
            $table->index('trigger_key');
        });
        // A pause is not part of a version: it holds at once. Of either kind of rule.
        Schema::create('rule_pauses', function (Blueprint $table): void {
            $table->ulid('rule_id')->primary();
            $table->timestamp('paused_at', 3);
        });
        // What a rule does, or will do, for somebody because of something that happened: the queue and the log in one.
        Schema::create('rule_runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->ulid('rule_id');
            // None of a rule of the whole business.
            $table->ulid('funnel_id')->nullable();
            $table->ulid('person_id');
            // 'once:RULE' while a rule that acts once for each person waits or has acted, so that a second is not begun.
            $table->string('occurrence', 40);
            $table->string('state', 10)->default('waiting');
            $table->string('why', 300);
            $table->unsignedBigInteger('cause_id')->nullable();
            $table->unsignedInteger('depth')->default(0);
            $table->unsignedInteger('tries')->default(0);
            $table->timestamp('happened_at', 3);
            $table->timestamp('due_at', 3);
            $table->timestamp('acted_at', 3)->nullable();
            $table->json('did')->nullable();
            $table->string('trouble', 500)->nullable();
            $table->unique(['person_id', 'occurrence']);
            $table->index(['state', 'due_at']);
            $table->index(['rule_id', 'id']);
            $table->index(['business_id', 'acted_at']);
            $table->index(['person_id', 'rule_id', 'happened_at']);
        });
        Schema::table('hook_calls', function (Blueprint $table): void {
            $table->foreignUlid('person_id')->nullable();
            $table->index('person_id');
        });
    }

    public function down(): void
    {
        Schema::table('hook_calls', function (Blueprint $table): void {
            $table->dropIndex(['person_id']);
            $table->dropColumn('person_id');
        });
        foreach (['rule_runs', 'rule_pauses', 'rule_triggers', 'business_rules'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
