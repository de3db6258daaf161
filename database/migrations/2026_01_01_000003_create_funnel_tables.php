<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// The draft of a funnel is these rows. What the public sees is `versions` alone.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('funnels', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('name', 120);
            $table->string('goal', 30);
            $table->string('address', 60)->unique();
            $table->string('look', 40);
            $table->char('accent', 7)->nullable();
            $table->string('state', 10)->default('draft');
            $table->ulid('live_version_id')->nullable();
            $table->timestamp('archived_at')->nullable();
            $table->timestamps(3);
            $table->index(['business_id', 'archived_at']);
        });
        Schema::create('pages', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('role', 20);
            $table->string('name', 120);
            $table->string('address', 60);
            $table->unsignedInteger('position');
            $table->json('document');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps(3);
            $table->unique(['funnel_id', 'address']);
        });
        Schema::create('ways', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('page_id')->constrained()->cascadeOnDelete();
            $table->string('outcome', 20);
            $table->ulid('to_page')->nullable();
            $table->string('to_url', 2000)->nullable();
            $table->unique(['page_id', 'outcome']);
        });
        Schema::create('forms', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->json('definition');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps(3);
        });
        Schema::create('emails', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->string('subject', 200);
            $table->text('body');
            $table->json('delay');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamp('deleted_at')->nullable();
            $table->timestamps(3);
        });
        Schema::create('lead_magnets', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('title', 200);
            $table->foreignUlid('upload_id')->nullable()->constrained();
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps(3);
        });
        Schema::create('versions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('note', 300)->default('');
            $table->json('plan');
            $table->json('rendered');
            $table->char('fingerprint', 64);
            $table->foreignId('published_by')->nullable()->constrained('users');
            $table->timestamp('published_at', 3);
            $table->unique(['funnel_id', 'number']);
        });
    }
};
