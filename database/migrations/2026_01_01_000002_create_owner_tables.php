<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('businesses', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('sender_name');
            $table->string('sender_address');
            $table->string('postal_address', 500);
            $table->string('timezone');
            $table->char('currency', 3);
            $table->timestamps();
        });
        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('uploads', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('business_id')->constrained();
            $table->string('kind', 10);
            $table->string('name');
            $table->string('mime', 120);
            $table->unsignedBigInteger('bytes');
            $table->string('path');
            $table->char('sha256', 64);
            $table->unsignedInteger('width')->nullable();
            $table->unsignedInteger('height')->nullable();
            $table->json('widths')->nullable();
            $table->timestamps();
        });
    }
};
