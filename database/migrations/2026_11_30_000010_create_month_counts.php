<?php

declare(strict_types=1);

use App\Models\Business;
use App\Results\Counts;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The counts of months that are over, added up from those of days: see MonthlyReading.
        Schema::create('month_counts', function (Blueprint $table): void {
            $table->ulid('funnel_id');
            $table->string('slice', 80)->default('');
            $table->char('month', 7);
            $table->char('page_id', 26)->default('');
            $table->string('measure', 20);
            $table->string('before', 7)->default('');
            $table->string('currency', 3)->default('');
            $table->bigInteger('how_many')->default(0);
            $table->bigInteger('how_much')->default(0);
            $table->primary(['funnel_id', 'slice', 'month', 'page_id', 'measure', 'before', 'currency']);
        });
        // Of which months there are counts, and whether they are added up as they are now.
        Schema::create('counted_months', function (Blueprint $table): void {
            $table->ulid('funnel_id');
            $table->char('month', 7);
            $table->boolean('built')->default(false);
            $table->primary(['funnel_id', 'month']);
            $table->index(['built', 'month']);
        });
        DB::statement("create index counts_before on counts (funnel_id, before, slice, day) where before <> ''");
        // By what was pressed and by which way is counted only now.
        Business::query()->get()->each(fn (Business $business) => app(Counts::class)->rebuild($business));
    }
};
