<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Lantern\Core\People\EmailAddress;

// An order belongs to itself until a link in an email proves whose it is. Limits for each person go by the mailbox behind an address.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('orders', function (Blueprint $table): void {
            $table->timestamp('joined_at', 3)->nullable();
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->string('mailbox', 254)->default('');
            $table->index(['business_id', 'mailbox']);
        });
        DB::table('orders')->update(['joined_at' => DB::raw('placed_at')]);
        foreach (DB::table('people')->select(['id', 'email_key'])->lazyById(1000, 'id') as $person) {
            DB::table('people')->where('id', $person->id)->update(['mailbox' => EmailAddress::mailboxOf((string) $person->email_key)]);
        }
    }

    public function down(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            $table->dropIndex(['business_id', 'mailbox']);
            $table->dropColumn('mailbox');
        });
        Schema::table('orders', fn (Blueprint $table) => $table->dropColumn('joined_at'));
    }
};
