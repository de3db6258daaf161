<?php

declare(strict_types=1);

namespace App\Serving;

use App\Deadlines\VisitorIdentity;
use App\Experiments\Exposures;
use App\Journey\EarlierViews;
use App\Journey\PageViews;
use App\Journey\Stranger;
use App\Models\Funnel;
use App\Models\Person;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Contracts\Container\Container;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Results\Device;
use stdClass;

/**
 * Views that the scripts of pages have reported ({@see ViewReport}), until they are counted. Each is counted once, by whoever marks
 * its row, in the transaction that counts it: a process that dies in between leaves it as it was.
 */
final readonly class SeenViews implements EarlierViews
{
    /** The container, not what it makes: what takes a view counts earlier ones first. */
    public function __construct(private Container $container)
    {
    }

    public function count(string $visitor): void
    {
        // With nearly everything that anybody does it is asked, and nearly always there is nothing.
        while (DB::scalar('select exists (select 1 from seen_views where visitor = ? and counted = ?)', [$visitor, 0]) == 1) {
            $this->some(fn (Builder $q) => $q->where('visitor', $visitor), 50);
        }
    }

    /** @return int how many were counted, of the oldest so many */
    public function countOldest(int $most): int
    {
        return $this->some(fn (Builder $q) => $q, $most);
    }

    public function oldest(): ?CarbonImmutable
    {
        $at = self::waiting()->orderBy('id')->value('at');

        return is_string($at) ? CarbonImmutable::parse($at, 'UTC') : null;
    }

    /** Those that say nothing any more of how many come. */
    public function forget(CarbonImmutable $now): void
    {
        $old = fn (): Builder => DB::table('seen_views')->where('counted', true)->where('at', '<',
            $now->subSeconds(ViewReport::SECONDS)->format('Y-m-d H:i:s.u'));
        if ($old()->exists()) {
            $old()->delete();
        }
    }

    private static function waiting(): Builder
    {
        return DB::table('seen_views')->where('counted', false);
    }

    /** @param  callable(Builder): Builder  $which */
    private function some(callable $which, int $most): int
    {
        // Often there is nothing, which takes no lock to see.
        if ($which(self::waiting())->doesntExist()) {
            return 0;
        }

        return DB::transaction(function () use ($which, $most): int {
            $counted = 0;
            foreach ($which(self::waiting())->orderBy('id')->limit($most)->get() as $row) {
                if (self::waiting()->where('id', $row->id)->update(['counted' => true]) === 1) {
                    $this->take($row);
                    $counted++;
                }
            }

            return $counted;
        });
    }

    private function take(stdClass $row): void
    {
        $funnel = Funnel::query()->with('business')->whereKey($row->funnel_id)->first();
        if ($funnel === null) {
            return;
        }
        $zone = Browser::zone($row->zone);
        $known = VisitorIdentity::personOf($row->visitor);
        $reader = $row->reader === null ? null : Person::query()->where('business_id', $funnel->business_id)->whereNull('erased_at')
            ->whereKey($row->reader)->value('id');
        $person = $known ?? (is_string($reader) ? $reader : null);
        $this->container->make(PageViews::class)->see($funnel, $row->version_id, $row->page_id, $known,
            new Stranger($row->visitor, $row->ip,
                $zone === null ? $funnel->business->zone() : new DateTimeZone($zone)), Source::touch($row->source, $row->came_from),
            CarbonImmutable::parse($row->at, 'UTC'), Device::tryFrom((string) $row->device),
            Exposures::confirmed($row->page_id, $row->variant, $row->visitor, $person));
    }
}
