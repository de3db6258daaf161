<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// Of which kind each deadline is in the version that is live: runs of the other kind hold until they are over, and then count no more.
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('deadline_kinds', function (Blueprint $table): void {
            $table->ulid('deadline_id')->primary();
            $table->foreignUlid('funnel_id')->constrained()->cascadeOnDelete();
            $table->boolean('personal');
        });
        $live = DB::table('versions')->join('funnels', 'funnels.live_version_id', '=', 'versions.id')
            ->select(['versions.id', 'versions.funnel_id', 'versions.plan']);
        foreach ($live->lazyById(20, 'versions.id', 'id') as $version) {
            foreach ((array) (json_decode((string) $version->plan, true)['parts'] ?? []) as $part) {
                if (is_array($part) && ($part['kind'] ?? '') === 'deadline' && is_string($part['id'] ?? null)) {
                    DB::table('deadline_kinds')->insertOrIgnore(['deadline_id' => $part['id'], 'funnel_id' => $version->funnel_id,
                        'personal' => isset($part['lasting'])]);
                }
            }
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('deadline_kinds');
    }
};
