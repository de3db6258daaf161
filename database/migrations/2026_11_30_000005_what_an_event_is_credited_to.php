<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** An event says where its visitor came from first and last, by what device, and from which page; counts follow from that. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['events', 'orders'] as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->string('first_touch', 60)->default('');
                $table->string('last_touch', 60)->default('');
                $table->string('device', 8)->default('');
                // Was it somebody known when they came?
                $table->boolean('known')->default(false);
            });
        }
        Schema::table('events', function (Blueprint $table): void {
            // The page from which they went on to the one they look at, and the seconds between.
            $table->ulid('came_from')->nullable();
            $table->unsignedInteger('took')->nullable();
        });
        Schema::table('published_pages', function (Blueprint $table): void {
            $table->json('leads_to')->nullable();
        });
        Schema::table('funnels', function (Blueprint $table): void {
            // Sign-ups, registrations or sales; null where that follows from what its starter was for.
            $table->string('judged_by', 20)->nullable();
        });
        DB::statement("update events set last_touch = substr(coalesce(source, ''), 1, 60), known = (person_id is not null)");
        DB::statement('update events set first_touch = coalesce((select e.last_touch from events e where e.visitor = events.visitor
            order by e.id limit 1), last_touch)');
        DB::statement("update orders set last_touch = substr(coalesce(source, ''), 1, 60), known = 1");
        DB::statement('update orders set first_touch = coalesce((select e.first_touch from events e where e.visitor = orders.visitor
            order by e.id limit 1), last_touch)');
        Schema::drop('counts');
        // How many, and how much of what currency, by page and day: see App\Results\Counts.
        Schema::create('counts', function (Blueprint $table): void {
            $table->ulid('funnel_id');
            $table->string('slice', 80)->default('');
            $table->string('day', 10);
            $table->char('page_id', 26)->default('');
            $table->string('measure', 20);
            $table->string('before', 10)->default('');
            $table->string('currency', 3)->default('');
            $table->bigInteger('how_many')->default(0);
            $table->bigInteger('how_much')->default(0);
            $table->primary(['funnel_id', 'slice', 'day', 'page_id', 'measure', 'before', 'currency']);
        });
        // They are made from the events once all that they go by is there: in create_month_counts.
    }
};
