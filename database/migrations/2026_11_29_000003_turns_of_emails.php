<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** In which run of a sequence or a deadline, and for which registration, an email is somebody's: as columns beside the key. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('messages', function (Blueprint $table): void {
            $table->unsignedInteger('run')->default(1);
            $table->unsignedInteger('deadline_run')->default(1);
            $table->ulid('registration_id')->nullable()->index();
            $table->unsignedInteger('registration_number')->default(0);
        });
        // Until now this stood in the key alone, behind the email and the person.
        DB::table('messages')->where('kind', 'sequence')->whereRaw('length(unique_key) > 62')->select(['id', 'unique_key'])
            ->chunkById(1000, function ($messages): void {
                foreach ($messages as $message) {
                    if (preg_match('/^sequence:\w{26}:\w{26}(?::(\d+))?(?::d(\d+))?(?::s(\w{26})\.(\d+))?$/D',
                        (string) $message->unique_key,
                        $m, PREG_UNMATCHED_AS_NULL) === 1) {
                        DB::table('messages')->where('id', $message->id)->update(['run' => (int) ($m[1] ?? 1),
                            'deadline_run' => (int) ($m[2] ?? 1), 'registration_id' => $m[3] ?? null,
                            'registration_number' => (int) ($m[4] ?? 0)]);
                    }
                }
            }, 'id');
        DB::table('messages')->where('kind', 'broadcast')->where('unique_key', 'like', '%:again')->update(['run' => 2]);
    }
};
