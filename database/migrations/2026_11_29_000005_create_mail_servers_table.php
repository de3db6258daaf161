<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('mail_servers', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->unique();
            $table->string('way', 10);
            $table->string('host')->default('');
            $table->unsignedInteger('port')->default(587);
            $table->string('encryption', 10);
            $table->string('username')->default('');
            $table->text('password')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('mail_servers');
    }
};
