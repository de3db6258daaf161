<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// `times` is the draft's; what is live stands beside it as moments, so that a visit and the clock's work need no plan.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('funnels', function (Blueprint $table): void {
            $table->json('times')->default('{}');
            $table->timestamp('opens_at', 3)->nullable();
            $table->timestamp('closes_at', 3)->nullable()->index();
            $table->timestamp('closed_at', 3)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('funnels', fn (Blueprint $table) => $table->dropIndex(['closes_at']));
        Schema::table('funnels', fn (Blueprint $table) => $table->dropColumn(['times', 'opens_at', 'closes_at', 'closed_at']));
    }
};
