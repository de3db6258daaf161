<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// What happens to a deadline of somebody is in `deadline_facts`, appended and never changed but for whose it is, once that is known.
// `deadline_runs` says how it stands, as it follows from the facts, one row for each whom it runs for.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('deadline_facts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('funnel_id')->constrained();
            $table->ulid('deadline_id');
            // As it was called then: the definition may be gone one day.
            $table->string('name', 120);
            $table->string('holder', 80);
            $table->ulid('person_id')->nullable()->index();
            $table->char('visitor', 32)->nullable()->index();
            $table->string('type', 20);
            $table->timestamp('at', 3);
            $table->timestamp('ends_at', 3)->nullable();
            $table->boolean('anew')->default(false);
            $table->string('why', 300)->default('');
            $table->foreignId('user_id')->nullable();
            $table->index(['deadline_id', 'holder']);
        });
        Schema::create('deadline_runs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->foreignUlid('funnel_id')->constrained();
            $table->ulid('deadline_id');
            $table->string('name', 120);
            $table->string('holder', 80);
            $table->ulid('person_id')->nullable()->index();
            $table->unsignedInteger('number')->default(1);
            $table->timestamp('started_at', 3);
            $table->timestamp('ends_at', 3);
            $table->string('why', 500)->default('');
            // Its end was noticed. It stays over, even where a clock is set back.
            $table->timestamp('closed_at', 3)->nullable();
            $table->unique(['deadline_id', 'holder']);
            $table->index(['deadline_id', 'ends_at']);
            $table->index(['closed_at', 'ends_at']);
        });
        Schema::table('published_pages', function (Blueprint $table): void {
            // What guards the page or begins when it is seen; null where no deadline is concerned with it.
            $table->json('deadlines')->nullable();
        });
        Schema::table('order_lines', function (Blueprint $table): void {
            // The deadline that its offer stood under when it was ordered, and how many seconds of it were left.
            $table->ulid('deadline_id')->nullable();
            $table->integer('deadline_left')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('order_lines', fn (Blueprint $table) => $table->dropColumn(['deadline_id', 'deadline_left']));
        Schema::table('published_pages', fn (Blueprint $table) => $table->dropColumn('deadlines'));
        Schema::dropIfExists('deadline_runs');
        Schema::dropIfExists('deadline_facts');
    }
};
