<?php

declare(strict_types=1);

namespace App\Popups;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Serving\PublishedPages;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Support\Shape;

/** A pop-up of a live version, with the row it was drawn into. */
final readonly class LivePopup
{
    private function __construct(public Popup $popup, public PublishedPage $page, public Funnel $funnel)
    {
    }

    /** @return list<self> those of one funnel */
    public static function ofFunnel(Funnel $funnel): array
    {
        return self::made(PublishedPage::query()->where('version_id', $funnel->live_version_id)->whereNotNull('popup')->orderBy('id')
            ->get()->all(), [$funnel->live_version_id => $funnel]);
    }

    /** @return list<self> those of all open funnels that may stand on a site */
    public static function ofSite(Business $business, string $site): array
    {
        return array_values(array_filter(self::ofBusiness($business), fn (self $p): bool => $p->popup->targeting->site($site) !== null));
    }

    /** @return list<self> */
    public static function ofBusiness(Business $business): array
    {
        $funnels = [];
        $now = CarbonImmutable::now();
        foreach (Funnel::query()->where('business_id', $business->id)->whereNotNull('live_version_id')->get() as $funnel) {
            if ($funnel->isOpen($now)) {
                $funnels[(string) $funnel->live_version_id] = $funnel->setRelation('business', $business);
            }
        }

        return self::made(PublishedPage::query()->whereIn('version_id', array_keys($funnels))->whereNotNull('popup')->orderBy('id')->get()
            ->all(), $funnels);
    }

    /** One by its id, of a funnel that is open. */
    public static function find(string $id): ?self
    {
        if (! Ids::is($id)) {
            return null;
        }
        $rows = PublishedPage::query()->where('page_id', $id)->whereNotNull('popup')
            ->whereIn('version_id', Funnel::query()->whereNotNull('live_version_id')->select('live_version_id'))->get();
        foreach ($rows as $row) {
            $funnel = Funnel::query()->with('business')->where('live_version_id', $row->version_id)->first();
            if ($funnel !== null && $funnel->isOpen(CarbonImmutable::now())) {
                return self::made([$row], [$row->version_id => $funnel])[0] ?? null;
            }
        }

        return null;
    }

    /**
     * @param  array<array-key, PublishedPage>  $rows
     * @param  array<array-key, Funnel>  $funnels  by version
     * @return list<self>
     */
    private static function made(array $rows, array $funnels): array
    {
        $made = [];
        foreach ($rows as $row) {
            $fresh = app(PublishedPages::class)->fresh($row);
            $made[] = new self(Popup::fromShape(Shape::of($fresh->popup)), $fresh, $funnels[$row->version_id]);
        }

        return $made;
    }
}
