<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Why a payment failed, and which card it was, are kept as what is meant; before, they were English sentences. */
return new class extends Migration
{
    private const SENTENCES = [
        'There is not enough money on this card. Please try another one.' => 'no-funds',
        'This card has expired. Please try another one.' => 'expired',
        'It was not approved at your bank. Nothing has been charged.' => 'bank-refused',
        'It was not approved at your bank in time. Nothing has been charged.' => 'bank-abandoned',
        'This card is not known any more. Please fill it in again.' => 'unknown',
        'Waits for a new card.' => 'needs-card',
        'It was never asked for, and nothing has been charged.' => 'never-asked',
    ];

    public function up(): void
    {
        foreach (self::SENTENCES as $sentence => $trouble) {
            DB::table('payments')->where('trouble', $sentence)->update(['trouble' => $trouble]);
        }
        DB::table('payments')->whereNotNull('trouble')->whereNotIn('trouble', self::SENTENCES)->update(['trouble' => 'declined']);
        Schema::table('orders', fn (Blueprint $table) => $table->string('card_ends', 12)->nullable());
        DB::table('orders')->where('method_label', 'like', 'card ending in %')
            ->update(['card_ends' => DB::raw("substr(method_label, length('card ending in ') + 1, 12)")]);
        Schema::table('orders', fn (Blueprint $table) => $table->dropColumn('method_label'));
    }

    public function down(): void
    {
        Schema::table('orders', fn (Blueprint $table) => $table->string('method_label', 60)->nullable());
        DB::table('orders')->whereNotNull('card_ends')->update(['method_label' => DB::raw("'card ending in ' || card_ends")]);
        Schema::table('orders', fn (Blueprint $table) => $table->dropColumn('card_ends'));
    }
};
