<?php

declare(strict_types=1);

namespace App\Popups;

use App\Models\Site;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The pages of an owner's other site on which our script was really seen: what places are chosen from. */
final class SeenPages
{
    public const MOST = 2000;

    public static function see(Site $site, string $path, string $title, CarbonImmutable $now): void
    {
        $at = Instant::sql($now);
        DB::transaction(function () use ($site, $path, $title, $at): void {
            Site::query()->whereKey($site->id)->update(['seen_at' => $at]);
            $known = DB::table('site_pages')->where('site_id', $site->id)->where('path', $path)
                ->update(['last_at' => $at, 'views' => DB::raw('views + 1')] + ($title === '' ? [] : ['title' => $title]));
            // Addresses can be made up without an end: those of the first two thousand pages are kept.
            if ($known === 0 && DB::table('site_pages')->where('site_id', $site->id)->count() < self::MOST) {
                DB::table('site_pages')->insertOrIgnore(['site_id' => $site->id, 'path' => $path, 'title' => $title, 'first_at' => $at,
                    'last_at' => $at, 'views' => 1]);
            }
        });
    }
}
