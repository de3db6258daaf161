<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// For one evening the table was made without this column: a database from then has to get it, or no sign-up is taken.
return new class extends Migration
{
    public function up(): void
    {
        if (! Schema::hasColumn('seen_views', 'counted')) {
            Schema::table('seen_views', fn (Blueprint $table) => $table->boolean('counted')->default(false)->index());
        }
    }
};
