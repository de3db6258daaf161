<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// What pop-ups did is in `popup_facts`, appended and never changed but for whose it is, once that is known: one row for each view
// of a page, pop-up and thing that can happen, so that a report that comes twice is there once. `popup_visits` has a row for each
// visit of a browser to a funnel or a site. `sites` are the owner's other web sites, `site_pages` what was seen on them.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sites', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('name', 120);
            // Scheme, host and port, such as https://blog.example.
            $table->string('origin', 200);
            $table->timestamp('seen_at', 3)->nullable();
            $table->timestamp('deleted_at', 3)->nullable();
            $table->timestamps(3);
        });
        Schema::create('site_pages', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('site_id')->constrained()->cascadeOnDelete();
            $table->string('path', 500);
            $table->string('title', 200)->default('');
            $table->timestamp('first_at', 3);
            $table->timestamp('last_at', 3);
            $table->unsignedInteger('views')->default(0);
            $table->unique(['site_id', 'path']);
        });
        Schema::create('popup_visits', function (Blueprint $table): void {
            $table->id();
            // The id of the funnel or of the site.
            $table->ulid('place');
            $table->char('visitor', 32);
            $table->timestamp('started_at', 3);
            $table->timestamp('last_at', 3);
            $table->unsignedInteger('views')->default(1);
            $table->boolean('from_email')->default(false);
            $table->index(['place', 'visitor', 'id']);
        });
        Schema::create('popup_facts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('funnel_id')->constrained();
            $table->ulid('popup_id');
            // As it was called then: it may be gone one day.
            $table->string('name', 120);
            $table->string('type', 10);
            $table->char('view', 32);
            $table->char('visitor', 32)->nullable();
            $table->ulid('person_id')->nullable();
            // The page of the funnel, or the site with the path of its page and the pattern by which it was shown there.
            $table->ulid('page_id')->nullable();
            $table->ulid('site_id')->nullable();
            $table->string('path', 500)->nullable();
            $table->string('pattern', 340)->nullable();
            $table->string('opened_by', 10)->nullable();
            // Milliseconds from the view to this.
            $table->unsignedInteger('after_ms')->nullable();
            $table->timestamp('at', 3);
            $table->unique(['view', 'popup_id', 'type']);
            $table->index(['popup_id', 'type', 'at']);
            $table->index(['visitor', 'type']);
            $table->index(['person_id', 'type']);
        });
        Schema::table('published_pages', function (Blueprint $table): void {
            // The pop-up that it is; null for a page.
            $table->json('popup')->nullable();
        });
        Schema::table('submissions', function (Blueprint $table): void {
            // The pop-up or placed form in which it was filled in, and where that stood.
            $table->ulid('popup_id')->nullable()->index();
            $table->ulid('site_id')->nullable();
            $table->string('site_path', 500)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('submissions', function (Blueprint $table): void {
            $table->dropIndex(['popup_id']);
            $table->dropColumn(['popup_id', 'site_id', 'site_path']);
        });
        Schema::table('published_pages', fn (Blueprint $table) => $table->dropColumn('popup'));
        foreach (['popup_facts', 'popup_visits', 'site_pages', 'sites'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
