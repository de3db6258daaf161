<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// What came in with an archive and waits for its owner's word.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('funnels', fn (Blueprint $table) => $table->json('set_aside')->default('[]'));
    }
};
