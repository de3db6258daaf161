<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What visitors do, appended and never changed.
        Schema::create('events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->index();
            $table->string('type', 20);
            $table->ulid('funnel_id')->nullable();
            $table->ulid('page_id')->nullable();
            $table->ulid('version_id')->nullable();
            $table->string('variant', 10)->nullable();
            $table->char('visitor', 32)->nullable();
            $table->ulid('person_id')->nullable();
            $table->string('source', 120)->nullable();
            $table->json('data')->nullable();
            $table->boolean('owner')->default(false);
            $table->timestamp('at', 6);
            $table->index(['page_id', 'type', 'visitor', 'at']);
            $table->index(['funnel_id', 'at']);
            $table->index(['person_id', 'at']);
        });
        // Counts by day in the owner's zone; they can be rebuilt from the events at any time.
        Schema::create('daily_counts', function (Blueprint $table): void {
            $table->ulid('funnel_id');
            $table->ulid('page_id');
            $table->date('day');
            $table->unsignedInteger('views')->default(0);
            $table->unsignedInteger('visitors')->default(0);
            $table->unsignedInteger('new_visitors')->default(0);
            $table->unsignedInteger('signups')->default(0);
            $table->unsignedInteger('downloads')->default(0);
            $table->primary(['funnel_id', 'page_id', 'day']);
        });
    }
};
