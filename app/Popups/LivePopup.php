<?php

declare(strict_types=1);

namespace App\Popups;

use App\Experiments\Exposures;
use App\Models\Business;
use App\Models\Experiment;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Serving\PublishedPages;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Support\Shape;

/**
 * A pop-up of a live version, with the row it was drawn into. Where it is in a split test, that is the row of what there was before,
 * until it is asked for somebody.
 */
final readonly class LivePopup
{
    /** @param  array{test: string, letter: string}|null  $variant  what of a split test that runs this is */
    private function __construct(public Popup $popup, public PublishedPage $page, public Funnel $funnel, public ?array $variant = null)
    {
    }

    /**
     * What a visitor gets of it. Whoever keeps no cookies would get another variant on each page, and gets what there was before, which
     * counts for no test.
     *
     * @param  string|null  $visitor  the browser, by its id; null where it keeps none, or is the owner's
     */
    public function seenBy(?string $visitor, ?string $person): self
    {
        $test = $visitor === null ? null : $this->page->split_test;
        if ($test === null || Exposures::running($this->popup->id)?->id !== $test['test']) {
            return $this;
        }
        $letter = Exposures::letter($test['test'], $test['weights'], $visitor, $person);

        return $this->as($letter, ['test' => $test['test'], 'letter' => $letter]);
    }

    /** @param  array{test: string, letter: string}|null  $variant */
    private function as(string $letter, ?array $variant): self
    {
        $row = $letter === SplitTest::ORIGINAL ? null : PublishedPage::query()->where('version_id', $this->page->version_id)
            ->where('page_id', $this->popup->id)->where('variant', $letter)->first();
        // It stands where the pop-up stands.
        $row?->setAttribute('address', $this->page->address);
        $page = $row ?? $this->page;

        return new self(Popup::fromShape(Shape::of($page->popup)), $page, $this->funnel, $variant);
    }

    /** @return list<self> those of one funnel */
    public static function ofFunnel(Funnel $funnel): array
    {
        return self::made(PublishedPage::query()->where('version_id', $funnel->live_version_id)->where('variant', '')
            ->whereNotNull('popup')->orderBy('id')
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

        return self::made(PublishedPage::query()->whereIn('version_id', array_keys($funnels))->where('variant', '')
            ->whereNotNull('popup')->orderBy('id')->get()
            ->all(), $funnels);
    }

    /** One by its id, of a funnel that is open. */
    public static function find(string $id): ?self
    {
        if (! Ids::is($id)) {
            return null;
        }
        $rows = PublishedPage::query()->where('page_id', $id)->where('variant', '')->whereNotNull('popup')
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
        // Where a test has ended, everybody gets what it ended with.
        $winners = Experiment::winners(array_values(array_filter(array_map(fn (self $p): string => $p->page->split_test['test'] ?? '',
            $made))));

        return array_map(function (self $popup) use ($winners): self {
            $winner = $winners[$popup->page->split_test['test'] ?? ''] ?? null;

            return $winner === null ? $popup : $popup->as($winner, null);
        }, $made);
    }
}
