<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Version;
use App\Rendering\PageRenderer;
use App\Serving\PublishedPages;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Draws the pages of published versions anew, where an earlier release drew them. What they say stays the same. */
final class RedrawPages extends Command
{
    protected $signature = 'lantern:redraw';

    protected $description = 'Draws published pages anew after an update of the application';

    public function handle(PublishedPages $pages): int
    {
        $stale = DB::table('published_pages')->where('drawn_by', '!=', PageRenderer::REVISION)->select('version_id');
        $redrawn = 0;
        foreach (Version::query()->whereIn('id', $stale)->with('funnel.business')->lazyById(20) as $version) {
            $pages->write($version, $version->plan(), $version->funnel->business);
            $redrawn++;
        }
        $this->info("{$redrawn} versions were drawn anew.");

        return self::SUCCESS;
    }
}
