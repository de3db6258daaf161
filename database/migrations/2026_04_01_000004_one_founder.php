<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// The first start makes one owner, however many set it up at the same time: only one row can say that it is the founder's.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->unsignedTinyInteger('founder')->nullable();
        });
        DB::table('users')->where('id', DB::table('users')->min('id'))->update(['founder' => 1]);
        Schema::table('users', fn (Blueprint $table) => $table->unique('founder'));
    }
};
