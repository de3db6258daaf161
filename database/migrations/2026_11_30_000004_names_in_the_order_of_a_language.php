<?php

declare(strict_types=1);

use App\Models\Person;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** People are found without regard to marks on letters, and sorted as the owner's language sorts. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->text('found_by')->default('');
            $table->string('sorted_by', 120)->default('');
            $table->index(['business_id', 'erased_at', 'sorted_by', 'id']);
        });
        foreach (DB::table('businesses')->pluck('locale', 'id') as $id => $locale) {
            Person::sortAnew((int) $id, (string) $locale);
        }
    }

    public function down(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->dropIndex(['business_id', 'erased_at', 'sorted_by', 'id']);
            $table->dropColumn(['found_by', 'sorted_by']);
        });
    }
};
