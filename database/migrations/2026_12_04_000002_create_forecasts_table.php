<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The last forecast of each funnel, and whether one is being made.
        Schema::create('forecasts', function (Blueprint $table): void {
            $table->foreignUlid('funnel_id')->primary()->constrained()->cascadeOnDelete();
            $table->timestamp('asked_at', 3)->nullable();
            $table->timestamp('made_at', 3)->nullable();
            $table->json('result')->nullable();
            $table->boolean('failed')->default(false);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('forecasts');
    }
};
