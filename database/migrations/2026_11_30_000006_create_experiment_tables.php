<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // A split test from when it went public: what was set before it began, and how it ended.
        Schema::create('experiments', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('funnel_id')->constrained();
            $table->ulid('page_id');
            $table->string('name', 120);
            $table->string('goal', 20);
            // By letter: the weight, the owner's note of what differs, and what it looked like when it began.
            $table->json('variants');
            $table->double('expected');
            $table->unsignedBigInteger('typical')->default(0);
            $table->char('currency', 3);
            $table->unsignedInteger('most_days');
            $table->boolean('by_itself')->default(false);
            $table->timestamp('started_at', 3);
            // Of one that may end by itself: when it was looked at last.
            $table->timestamp('looked_at', 3)->nullable();
            // When one of its variants was changed while it ran.
            $table->timestamp('changed_at', 3)->nullable();
            $table->timestamp('ended_at', 3)->nullable();
            $table->char('winner', 1)->nullable();
            $table->string('ended_how', 20)->nullable();
            $table->string('learned', 2000)->default('');
            $table->index(['page_id', 'ended_at']);
            $table->index(['funnel_id', 'ended_at']);
        });
        // Who saw which variant first, and after how many seconds they reached what: noted as it happens, and never worked out again.
        Schema::create('experiment_people', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('experiment_id')->constrained();
            $table->char('visitor', 32);
            $table->ulid('person_id')->nullable();
            $table->char('variant', 1);
            $table->timestamp('seen_at', 3);
            // In the owner's zone.
            $table->string('day', 10);
            // Not where the same person was seen before, in another browser.
            $table->boolean('counted')->default(true);
            $table->unsignedInteger('joined_after')->nullable();
            $table->unsignedInteger('confirmed_after')->nullable();
            $table->unsignedInteger('bought_after')->nullable();
            // What they paid first, in the smallest unit.
            $table->unsignedBigInteger('paid')->nullable();
            $table->char('currency', 3)->nullable();
            $table->unique(['experiment_id', 'visitor']);
            $table->index(['experiment_id', 'counted', 'variant']);
            $table->index('visitor');
            $table->index('person_id');
        });
        Schema::table('published_pages', function (Blueprint $table): void {
            $table->char('variant', 1)->default('');
            // Of a page in a split test: its id, and the weights by letter.
            $table->json('split_test')->nullable();
            $table->dropUnique(['version_id', 'page_id']);
            $table->unique(['version_id', 'page_id', 'variant']);
        });
    }
};
