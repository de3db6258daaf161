<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('published_pages', function (Blueprint $table): void {
            // Of a guide, what a visit and a report of its reader ask of it.
            $table->json('guide')->nullable();
        });
        // One person who reads one guide, by one door: by the links in emails to them, or by a form that was filled in.
        Schema::create('guide_readings', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->ulid('guide_id');
            $table->ulid('person_id')->index();
            // '' where it is proven that they are who they are.
            $table->string('submission_id', 26)->default('');
            $table->timestamp('opened_at', 3);
            $table->unique(['guide_id', 'person_id', 'submission_id']);
        });
        // A guide opened once on one device.
        Schema::create('guide_sittings', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('reading_id')->constrained('guide_readings')->cascadeOnDelete();
            $table->string('sitting', 16);
            $table->unsignedBigInteger('began');
            $table->json('seen');
            $table->json('scrolled');
            $table->timestamp('last_at', 3);
            $table->unique(['reading_id', 'sitting']);
        });
        // What a reader ticked and wrote: `item` is a thing of a check-list, or -1 for words.
        Schema::create('guide_answers', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('reading_id')->constrained('guide_readings')->cascadeOnDelete();
            $table->string('block_id', 40);
            $table->smallInteger('item')->default(-1);
            $table->text('words')->nullable();
            $table->timestamp('at', 3);
            $table->unique(['reading_id', 'block_id', 'item']);
        });
        // How far each person has come with each guide, by all their doors and devices: worked out from the sittings.
        Schema::create('guide_progress', function (Blueprint $table): void {
            $table->ulid('person_id');
            $table->ulid('guide_id');
            $table->ulid('funnel_id');
            $table->timestamp('opened_at', 3);
            $table->timestamp('begun_at', 3)->nullable();
            $table->timestamp('finished_at', 3)->nullable();
            $table->timestamp('last_at', 3);
            $table->ulid('last_page')->nullable();
            $table->unsignedInteger('seconds')->default(0);
            $table->unsignedSmallInteger('stays')->default(0);
            $table->unsignedTinyInteger('share')->default(0);
            $table->primary(['person_id', 'guide_id']);
            $table->index(['guide_id', 'share', 'last_at']);
        });
        Schema::create('guide_pages_seen', function (Blueprint $table): void {
            $table->ulid('person_id');
            $table->ulid('guide_id');
            $table->ulid('page_id');
            $table->unsignedInteger('seconds')->default(0);
            $table->unsignedTinyInteger('scrolled')->default(0);
            $table->unsignedSmallInteger('stays')->default(0);
            $table->timestamp('read_at', 3)->nullable();
            $table->primary(['person_id', 'guide_id', 'page_id']);
            $table->index(['guide_id', 'page_id']);
        });
        Schema::table('businesses', function (Blueprint $table): void {
            // Up to when the daily email has told of readers.
            $table->timestamp('readers_told_at', 3)->nullable();
        });
    }
};
