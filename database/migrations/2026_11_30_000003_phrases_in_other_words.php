<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What the application says to visitors may be said in other words: in all funnels, or in one. */
return new class extends Migration
{
    private const TABLES = ['businesses', 'funnels', 'published_pages'];

    public function up(): void
    {
        foreach (self::TABLES as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->json('phrases')->default('{}'));
        }
    }

    public function down(): void
    {
        foreach (self::TABLES as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->dropColumn('phrases'));
        }
    }
};
