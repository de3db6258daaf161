<?php

declare(strict_types=1);

namespace App\Popups;

use App\Models\Site;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;

/** The pages of an owner's other site on which our script was really seen: what places are chosen from. */
final class SeenPages
{
    public const MOST = 2000;

    /** So many pages that nobody has seen before may come from one network address within an hour. */
    public const NEW_PER_ADDRESS = 40;

    /** @param  string  $ip  the address of whoever says so */
    public static function see(Site $site, string $path, string $title, CarbonImmutable $now, string $ip = ''): void
    {
        $at = Instant::sql($now);
        DB::transaction(function () use ($site, $path, $title, $at, $ip): void {
            Site::query()->whereKey($site->id)->update(['seen_at' => $at]);
            $known = DB::table('site_pages')->where('site_id', $site->id)->where('path', $path)
                ->update(['last_at' => $at, 'views' => DB::raw('views + 1')] + ($title === '' ? [] : ['title' => $title]));
            $limit = "seen-pages:{$site->id}:{$ip}";
            if ($known > 0 || RateLimiter::tooManyAttempts($limit, self::NEW_PER_ADDRESS)) {
                return;
            }
            RateLimiter::hit($limit, 3600);
            // Addresses can be made up without an end. Where there are too many, the one that was seen least makes room.
            $pages = DB::table('site_pages')->where('site_id', $site->id);
            if ($pages->count() >= self::MOST) {
                DB::table('site_pages')->where('id', $pages->orderBy('views')->orderBy('last_at')->orderBy('id')->value('id'))->delete();
            }
            DB::table('site_pages')->insertOrIgnore(['site_id' => $site->id, 'path' => $path, 'title' => $title, 'first_at' => $at,
                'last_at' => $at, 'views' => 1]);
        });
    }
}
