<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

// A page that became the first one knows the address it had, and removed pages keep their place and their ways where those are.
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('draft_parts', function (Blueprint $table): void {
            $table->string('own_address', 100)->nullable();
        });
        $placed = $entries = [];
        $removed = DB::table('draft_parts')->where('kind', 'page')->whereNotNull('removed')->orderBy('id')
            ->get(['id', 'funnel_id', 'removed', 'definition'])
            ->map(fn (stdClass $row): array => [(string) $row->id, (string) $row->funnel_id,
                (array) json_decode((string) $row->removed, true),
                (string) (((array) json_decode((string) $row->definition, true))['address'] ?? '')])
            ->sortByDesc(fn (array $row): string => (string) ($row[2]['at'] ?? ''));
        // The one removed last gets its place back first, and the one that was the entry page before it knows its successor's address.
        foreach ($removed as [$id, $funnel, $was, $address]) {
            $position = (int) ($was['position'] ?? DB::table('draft_parts')->where('funnel_id', $funnel)->where('kind', 'page')->count());
            DB::table('draft_parts')->where('funnel_id', $funnel)->where('kind', 'page')->where('position', '>=', $position)
                ->where(fn ($q) => $q->whereNull('removed')->orWhereIn('id', $placed[$funnel] ?? []))->increment('position');
            DB::table('draft_parts')->where('id', $id)->update(['position' => $position]);
            $placed[$funnel][] = $id;
            $ways = array_filter((array) ($was['ways'] ?? []), is_array(...));
            foreach ($ways as $way) {
                if (($way['page'] ?? '') === $id) {
                    DB::table('ways')
                        ->insertOrIgnore(['funnel_id' => $funnel, 'page_id' => $id, 'outcome' => (string) ($way['outcome'] ?? ''),
                            'to_page' => $way['toPage'] ?? null, 'to_url' => $way['toUrl'] ?? null]);
                }
            }
            if ($address === '') {
                $entry = $entries[$funnel]
                    ?? DB::table('draft_parts')->where('funnel_id', $funnel)->where('kind', 'page')->whereNull('removed')
                        ->where('definition->address', '')->value('id');
                DB::table('draft_parts')->where('id', $entry)->update(['own_address' => ((string) ($was['nextAddress'] ?? '')) ?: null]);
                $entries[$funnel] = $id;
            }
            DB::table('draft_parts')->where('id', $id)->update(['removed' => json_encode(['at' => $was['at'] ?? null,
                'ways' => array_values(array_filter($ways,
                    fn (array $w): bool => ($w['toPage'] ?? '') === $id && ($w['page'] ?? '') !== $id))],
                JSON_THROW_ON_ERROR)]);
        }
    }
};
