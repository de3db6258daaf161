<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('people', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('email', 254);
            $table->string('email_key', 320);
            $table->string('first_name', 100)->default('');
            $table->string('last_name', 100)->default('');
            $table->string('phone', 40)->default('');
            $table->string('timezone', 60)->nullable();
            $table->boolean('owner_try')->default(false);
            $table->timestamp('unsubscribed_at', 3)->nullable();
            $table->timestamp('joined_at', 3);
            $table->timestamps(3);
            $table->unique(['business_id', 'email_key']);
            $table->index(['business_id', 'joined_at']);
        });
        // Which browser belongs to whom, since they filled in a form or followed their own link.
        Schema::create('visitor_person', function (Blueprint $table): void {
            $table->char('visitor', 32)->primary();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->timestamp('joined_at', 3);
            $table->index('person_id');
        });
        Schema::create('tags', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->string('name', 60);
            $table->string('name_key', 120);
            $table->timestamps();
            $table->unique(['business_id', 'name_key']);
        });
        Schema::create('person_tag', function (Blueprint $table): void {
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('tag_id')->constrained()->cascadeOnDelete();
            $table->foreignUlid('funnel_id')->nullable();
            $table->timestamp('tagged_at', 3);
            $table->primary(['person_id', 'tag_id']);
            $table->index('tag_id');
        });
        Schema::create('submissions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            // One form filled in once: a double click and a reload carry the same token.
            $table->char('token', 32)->unique();
            $table->foreignUlid('funnel_id')->constrained();
            $table->foreignUlid('version_id')->constrained();
            $table->ulid('page_id');
            $table->ulid('form_id');
            $table->foreignUlid('person_id')->constrained('people');
            $table->json('answers');
            $table->text('consent_words');
            $table->boolean('consented');
            $table->string('ip', 45)->nullable();
            $table->string('user_agent', 500)->nullable();
            $table->json('source')->nullable();
            $table->timestamp('submitted_at', 3);
            $table->index(['person_id', 'submitted_at']);
            $table->index(['funnel_id', 'submitted_at']);
        });
        Schema::create('deliveries', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('person_id')->constrained('people')->cascadeOnDelete();
            $table->ulid('lead_magnet_id');
            $table->foreignUlid('funnel_id')->constrained();
            $table->timestamp('revoked_at')->nullable();
            $table->unsignedInteger('downloads')->default(0);
            $table->timestamps(3);
            $table->unique(['person_id', 'lead_magnet_id']);
        });
        Schema::create('messages', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('person_id')->constrained('people');
            $table->foreignUlid('funnel_id')->nullable()->constrained();
            $table->ulid('version_id')->nullable();
            $table->ulid('email_id')->nullable();
            $table->string('kind', 20);
            // The same email to the same person has the same key: it cannot be planned twice.
            $table->string('unique_key', 120)->unique();
            $table->string('name', 120);
            $table->string('to_address', 320);
            $table->string('subject', 400)->default('');
            $table->longText('html')->nullable();
            $table->longText('text')->nullable();
            $table->string('state', 12)->default('waiting');
            $table->timestamp('due_at', 3);
            $table->timestamp('queued_at', 3)->nullable();
            $table->timestamp('claimed_at', 3)->nullable();
            $table->unsignedInteger('attempts')->default(0);
            $table->timestamp('sent_at', 3)->nullable();
            $table->string('trouble', 500)->nullable();
            $table->timestamps(3);
            $table->index(['state', 'due_at']);
            $table->index(['business_id', 'due_at']);
            $table->index(['person_id', 'due_at']);
            $table->index('email_id');
            $table->index(['business_id', 'updated_at']);
        });
        // The stand-in mail provider: what was handed over, as it went over the wire.
        Schema::create('outbox', function (Blueprint $table): void {
            $table->id();
            $table->string('message_id', 120)->unique();
            $table->string('envelope_to', 320);
            $table->longText('mime');
            $table->timestamp('received_at', 3);
        });
    }
};
