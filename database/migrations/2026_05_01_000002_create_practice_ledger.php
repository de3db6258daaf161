<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

// The ledger of practice payments: a database of its own, as a provider elsewhere would have one.
return new class extends Migration
{
    protected $connection = 'practice';

    public function up(): void
    {
        // A ledger outlives the application's own database, as a provider elsewhere would.
        if (Schema::connection('practice')->hasTable('cards')) {
            return;
        }
        Schema::connection('practice')->create('cards', function (Blueprint $table): void {
            $table->char('token', 32)->primary();
            $table->string('ends', 4);
            $table->string('behaviour', 20);
            $table->timestamp('made_at', 3);
        });
        Schema::connection('practice')->create('charges', function (Blueprint $table): void {
            $table->id();
            $table->string('key', 40)->unique();
            $table->char('token', 32)->index();
            $table->string('about', 120);
            $table->unsignedBigInteger('amount');
            $table->char('currency', 3);
            $table->boolean('kept');
            $table->string('state', 12);
            $table->string('trouble', 40)->nullable();
            $table->string('back', 500)->nullable();
            $table->char('seal', 32);
            // When a payment that is told later is through, and when it is disputed.
            $table->timestamp('through_at', 3)->nullable();
            $table->timestamp('dispute_at', 3)->nullable();
            $table->boolean('disputed')->default(false);
            $table->unsignedBigInteger('refunded')->default(0);
            $table->timestamp('made_at', 3);
            $table->index(['state', 'through_at']);
            $table->index('dispute_at');
        });
        Schema::connection('practice')->create('charge_refunds', function (Blueprint $table): void {
            $table->id();
            $table->string('key', 40)->unique();
            $table->foreignId('charge_id')->constrained('charges');
            $table->unsignedBigInteger('amount');
            $table->timestamp('made_at', 3);
        });
        Schema::connection('practice')->create('calls', function (Blueprint $table): void {
            $table->id();
            $table->string('event', 40);
            $table->string('key', 40);
            $table->string('type', 30);
            $table->boolean('forged')->default(false);
            $table->timestamp('due_at', 3);
            $table->timestamp('sent_at', 3)->nullable();
            $table->unsignedInteger('tries')->default(0);
            $table->unsignedInteger('status')->nullable();
            $table->index(['sent_at', 'due_at']);
        });
    }
};
