<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('businesses', function (Blueprint $table): void {
            $table->unsignedInteger('messages_per_minute')->default(120);
            $table->text('hook_secret')->nullable();
            $table->timestamp('told_at', 3)->nullable();
        });
        // Where links in letters lead, each once. A link in a letter names its row and never an address.
        Schema::create('mail_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->char('url_hash', 64);
            $table->text('url');
            $table->unique(['business_id', 'url_hash']);
        });
        Schema::create('letter_parts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('name', 120);
            $table->text('body');
            $table->timestamp('deleted_at', 3)->nullable();
            $table->timestamps(3);
        });
        Schema::create('broadcasts', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->ulid('funnel_id')->nullable();
            $table->string('name', 120);
            $table->string('subject', 200)->default('');
            $table->text('body');
            $table->json('audience');
            $table->json('settings')->default('{}');
            $table->string('state', 12)->default('draft');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamp('send_at', 3)->nullable();
            $table->timestamp('started_at', 3)->nullable();
            $table->timestamp('picked_at', 3)->nullable();
            $table->string('winner', 1)->nullable();
            $table->string('winner_why', 300)->nullable();
            $table->timestamp('again_at', 3)->nullable();
            $table->timestamp('deleted_at', 3)->nullable();
            $table->timestamps(3);
            $table->index(['business_id', 'state']);
        });
        // Calls to an owner's own web addresses.
        Schema::create('hook_calls', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('submission_id')->nullable()->constrained()->nullOnDelete();
            $table->string('url', 500);
            $table->text('payload');
            $table->string('state', 10)->default('waiting');
            $table->unsignedInteger('attempts')->default(0);
            $table->timestamp('due_at', 3);
            $table->timestamp('queued_at', 3)->nullable();
            $table->timestamp('claimed_at', 3)->nullable();
            $table->unsignedSmallInteger('status')->nullable();
            $table->string('answer', 500)->nullable();
            $table->timestamps(3);
            $table->index(['state', 'due_at']);
            $table->index(['business_id', 'created_at']);
        });
        // How the stand-in mail provider behaves: one row.
        Schema::create('outbox_moods', function (Blueprint $table): void {
            $table->id();
            $table->json('mood');
            $table->timestamps(3);
        });
        Schema::table('outbox', function (Blueprint $table): void {
            $table->index('received_at');
        });
    }
};
