<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Forms that were sent, as they were sent, until they are taken in; then the row goes.
        Schema::create('received_signups', function (Blueprint $table): void {
            $table->id();
            // That of the submission it becomes.
            $table->string('submission', 26)->unique();
            $table->string('token', 32)->unique();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->string('version_id', 26);
            $table->string('page_id', 26);
            $table->string('variant', 20)->default('');
            $table->string('form_id', 26);
            $table->string('visitor', 32)->index();
            $table->string('zone', 60)->nullable();
            $table->text('sent');
            $table->text('shown');
            $table->string('ip', 45)->index();
            $table->text('user_agent')->nullable();
            $table->string('at', 26);
            // Of what could not be taken in: how often it was tried, and when it is tried again.
            $table->unsignedInteger('tries')->default(0);
            $table->string('next_try', 26)->default('');
        });
        Schema::table('submissions', fn (Blueprint $table) => $table->index(['ip', 'submitted_at']));
    }

    public function down(): void
    {
        Schema::table('submissions', fn (Blueprint $table) => $table->dropIndex(['ip', 'submitted_at']));
        Schema::drop('received_signups');
    }
};
