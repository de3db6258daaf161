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
            $table->boolean('weekly_report')->default(false);
            $table->timestamp('weekly_at', 3)->nullable();
        });
        // Links by which somebody else may look at the results of a funnel, until they are taken back.
        Schema::create('result_links', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained();
            $table->char('key', 40)->unique();
            $table->unsignedInteger('days');
            $table->timestamp('created_at', 3);
            $table->timestamp('ended_at', 3)->nullable();
        });
    }
};
