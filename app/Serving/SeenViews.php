<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\VisitorIdentity;
use App\Experiments\Exposures;
use App\Journey\Events;
use App\Journey\NewEvent;
use App\Journey\PageViews;
use App\Journey\Stranger;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\Version;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Device;
use stdClass;

/**
 * Views that the scripts of pages have reported ({@see ViewReport}), and what was done there ({@see DeedReport}), until they are counted.
 * Each is counted once, by whoever marks its row, in the transaction that counts it: a process that dies in between leaves it as it was.
 */
final readonly class SeenViews
{
    public function __construct(private PageViews $views, private Events $events)
    {
    }

    public function count(int $id): void
    {
        $row = DB::table('seen_views')->where('id', $id)->first();
        if ($row !== null && DB::table('seen_views')->where('id', $id)->where('counted', false)->update(['counted' => true]) === 1) {
            $this->take($row);
        }
    }

    /** Those that say nothing any more of how many come. */
    public function forget(CarbonImmutable $now): void
    {
        $old = fn () => DB::table('seen_views')->where('counted', true)->where('at', '<',
            $now->subSeconds(ViewReport::SECONDS)->format('Y-m-d H:i:s.u'));
        if ($old()->exists()) {
            $old()->delete();
        }
    }

    private function take(stdClass $row): void
    {
        $funnel = Funnel::query()->with('business')->whereKey($row->funnel_id)->first();
        if ($funnel === null) {
            return;
        }
        if ($row->did !== null) {
            $this->did($funnel, $row);

            return;
        }
        $zone = Browser::zone($row->zone);
        $known = VisitorIdentity::personOf($row->visitor);
        $reader = $row->reader === null ? null : Person::query()->where('business_id', $funnel->business_id)->whereNull('erased_at')
            ->whereKey($row->reader)->value('id');
        $person = $known ?? (is_string($reader) ? $reader : null);
        $this->views->see($funnel, $row->version_id, $row->page_id, $known,
            new Stranger($row->visitor, $row->ip,
                $zone === null ? $funnel->business->zone() : new DateTimeZone($zone)), Source::touch($row->source, $row->came_from),
            CarbonImmutable::parse($row->at, 'UTC'), Device::tryFrom((string) $row->device),
            Exposures::confirmed($row->page_id, $row->variant, $row->visitor, $person));
    }

    /** A button that was pressed, or a section that was read. */
    private function did(Funnel $funnel, stdClass $row): void
    {
        $version = Version::query()->select(['id', 'funnel_id'])->whereKey($row->version_id)->first();
        if ($version !== null) {
            $this->events->take(new NewEvent(DeedReport::event((string) $row->did), $funnel->business, CarbonImmutable::parse($row->at,
                'UTC'), $funnel, $version, (string) $row->page_id, personId: VisitorIdentity::personOf($row->visitor),
                visitor: (string) $row->visitor, part: (string) $row->part));
        }
    }
}
