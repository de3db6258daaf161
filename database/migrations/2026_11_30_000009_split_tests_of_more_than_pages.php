<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('experiments', function (Blueprint $table): void {
            $table->renameColumn('page_id', 'part_id');
        });
        Schema::table('experiments', function (Blueprint $table): void {
            $table->string('tested', 10)->default('page');
        });
        Schema::table('experiment_people', function (Blueprint $table): void {
            $table->unsignedInteger('opened_after')->nullable();
            $table->unsignedInteger('clicked_after')->nullable();
            // What a test has seen is added up in this order.
            $table->dropIndex(['experiment_id', 'counted', 'variant']);
            $table->index(['experiment_id', 'counted', 'variant', 'day']);
        });
        // The moments that somebody in a sequence got, where its timing was in a split test when they entered it.
        Schema::table('enrolments', function (Blueprint $table): void {
            $table->char('variant', 1)->nullable();
        });
    }
};
