<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// Domains of owners beside the site's host, and where a written page stands: what is written of pages is made anew by itself.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('domains', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('name', 253)->unique();
            $table->string('leads_to', 20);
            // The funnel it is for, or the one at its front page.
            $table->ulid('funnel_id')->nullable();
            $table->foreign('funnel_id')->references('id')->on('funnels')->nullOnDelete();
            // What it is the primary one of: `business:1` or `funnel:…`. One for each.
            $table->string('primary_of', 40)->nullable()->unique();
            $table->char('token', 40);
            $table->string('finding', 30)->nullable();
            $table->json('found');
            $table->timestamp('checked_at', 3)->nullable();
            $table->timestamp('worked_at', 3)->nullable();
            $table->timestamp('removed_at', 3)->nullable();
            $table->timestamps(3);
            $table->index('business_id');
        });
        Schema::drop('page_fronts');
        Schema::create('page_fronts', function (Blueprint $table): void {
            $table->foreignId('page')->primary()->constrained('published_pages')->cascadeOnDelete();
            // For which release and settings it was made, and for which place of its funnel.
            $table->char('stamp', 32);
            $table->string('place', 400);
            $table->binary('written');
        });
    }
};
