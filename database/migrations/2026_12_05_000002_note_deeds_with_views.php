<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// What else pages report is written down beside their views: a button that was pressed, and how far somebody has read.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('seen_views', function (Blueprint $table): void {
            // Nothing of both for a view.
            $table->string('did', 10)->nullable();
            $table->string('part', 40)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('seen_views', fn (Blueprint $table) => $table->dropColumn(['did', 'part']));
    }
};
