<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What an owner wants of a funnel until when; the last one written down is the one that counts.
        Schema::create('funnel_goals', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('funnel_id')->constrained();
            $table->string('what', 20);
            $table->unsignedInteger('wanted');
            $table->string('until', 10);
            // Rates as they are planned to be, by step; those that are not named stay as they are.
            $table->json('rates');
            $table->timestamp('since', 3);
            $table->timestamp('removed_at', 3)->nullable();
            $table->index(['funnel_id', 'removed_at', 'since']);
        });
        // What was spent on a source, over which days.
        Schema::create('spends', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('source', 60);
            $table->string('from_day', 10);
            $table->string('to_day', 10);
            $table->unsignedBigInteger('amount');
            $table->char('currency', 3);
            $table->string('note', 200)->default('');
            $table->timestamp('created_at', 3);
            $table->index(['business_id', 'to_day']);
        });
    }
};
