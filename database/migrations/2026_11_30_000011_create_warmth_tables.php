<?php

declare(strict_types=1);

use App\Models\Business;
use App\Warmth\Scores;
use App\Warmth\WarmDays;
use Carbon\CarbonImmutable;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What somebody did on which days, as far as it says how warm they are: kept with the events, and made from them at any time.
        Schema::create('warm_days', function (Blueprint $table): void {
            $table->ulid('person_id');
            $table->string('action', 12);
            $table->char('day', 10);
            $table->primary(['person_id', 'action', 'day']);
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->unsignedTinyInteger('warmth')->default(0);
            // When the owner last spoke to them, by their own word.
            $table->timestamp('spoken_at', 3)->nullable();
            $table->index(['business_id', 'warmth']);
        });
        Schema::table('businesses', function (Blueprint $table): void {
            // What each action is worth, where that is not the usual; and the day on which all people were looked at last.
            $table->json('warmth')->nullable();
            $table->char('warmth_on', 10)->nullable();
            // Is the owner told by email when somebody becomes warm? And up to which event they were.
            $table->boolean('warmth_notices')->default(false);
            $table->unsignedBigInteger('warmth_told')->default(0);
        });
        Business::query()->get()->each(function (Business $business): void {
            app(WarmDays::class)->rebuild($business);
            app(Scores::class)->refresh($business, CarbonImmutable::now());
        });
    }
};
