<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Which button was pressed, and how far somebody read: the block or the section of the page. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('events', fn (Blueprint $table) => $table->string('part', 40)->nullable());
        // The sections and blocks of a page, in the order in which its script counts them.
        Schema::table('published_pages', fn (Blueprint $table) => $table->json('places')->nullable());
    }
};
