<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// A published page as it is answered before the framework starts. Any row can be left out: its page is then answered by the framework.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('page_fronts', function (Blueprint $table): void {
            $table->foreignId('page')->primary()->constrained('published_pages')->cascadeOnDelete();
            // For which release and settings it was made, and for which address of its funnel.
            $table->char('stamp', 32);
            $table->string('funnel_address', 60);
            $table->binary('written');
        });
        // Likewise what is said where there is nothing, in the language and the words of the business.
        Schema::create('front_notices', function (Blueprint $table): void {
            $table->string('name', 20)->primary();
            $table->char('stamp', 32);
            $table->char('words', 32);
            $table->binary('written');
        });
    }
};
