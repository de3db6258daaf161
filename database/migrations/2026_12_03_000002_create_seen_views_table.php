<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// Views of pages as their scripts have reported them. They are counted a moment later, and go after a minute: until then they say how many
// came from one network address.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('seen_views', function (Blueprint $table): void {
            $table->id();
            $table->ulid('funnel_id');
            $table->ulid('version_id');
            $table->ulid('page_id');
            $table->char('visitor', 32)->index();
            // Who came by a link in an email, by the cookie that it left.
            $table->ulid('reader')->nullable();
            $table->string('ip', 45)->index();
            $table->string('zone', 60)->nullable();
            $table->text('source');
            $table->text('came_from');
            $table->string('device', 20)->nullable();
            $table->string('variant', 5)->nullable();
            $table->timestamp('at', 6);
            $table->boolean('counted')->default(false)->index();
            $table->foreign('funnel_id')->references('id')->on('funnels')->cascadeOnDelete();
        });
    }
};
