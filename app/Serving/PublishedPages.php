<?php

declare(strict_types=1);

namespace App\Serving;

use App\Languages\Voices;
use App\Models\Business;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Models\Version;
use App\Records\GuideFacts;
use App\Rendering\PageRenderer;
use App\Rendering\Slots;
use App\Results\PageReading;
use App\Serving\Slots\SlotKinds;
use Illuminate\Contracts\Container\Container;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Offers\Product;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;
use Lantern\Core\Popups\Popup;

/** Draws the pages of a version and writes each as a row, which is all that a visit to it reads. */
final readonly class PublishedPages
{
    /** The renderer is made only where a page is drawn: a visit to one that is drawn already does without. */
    public function __construct(private Container $container, private SlotKinds $slots)
    {
    }

    /** Safe to do again: pages that are there already are drawn anew. */
    public function write(Version $version, Plan $plan, Business $business): void
    {
        foreach ($plan->pages as $page) {
            $test = $plan->testOf($page->id);
            $this->keep($version, $plan, $page->id, '', $this->row($plan, $page, $business,
                variant: $test === null ? '' : SplitTest::ORIGINAL));
            foreach ($test === null ? [] : $plan->variantsOf($test->id) as $variant) {
                $this->keep($version, $plan, $page->id, $variant->letter, ['address' => "variant:{$variant->letter}:{$page->id}"]
                    + $this->row($plan, $plan->pageAs($page->id, $variant->letter) ?? $page, $business, variant: $variant->letter));
            }
        }
        foreach ($plan->guides as $guide) {
            $page = PagePlan::ofGuide($guide, $plan->pagesOf($guide->id));
            $this->keep($version, $plan, $guide->id, '', $this->row($plan, $page, $business)
                + ['guide' => GuideFacts::of($plan, $guide)->toArray()]);
        }
        foreach (array_filter($plan->popups, fn (Popup $p): bool => $p->on) as $popup) {
            $this->writePopup($version, $plan, $popup, $business);
        }
    }

    private function writePopup(Version $version, Plan $plan, Popup $popup, Business $business): void
    {
        $test = $plan->testOf($popup->id);
        $this->keep($version, $plan, $popup->id, '', $this->row($plan, PagePlan::ofPopup($popup), $business, $popup,
            $test === null ? '' : SplitTest::ORIGINAL));
        foreach ($test === null ? [] : $plan->variantsOf($test->id) as $variant) {
            $as = $plan->as($popup->id, $variant->letter)->popup($popup->id) ?? $popup;
            $this->keep($version, $plan, $popup->id, $variant->letter, ['address' => "variant:{$variant->letter}:{$popup->id}"]
                + $this->row($plan, PagePlan::ofPopup($as), $business, $as, $variant->letter));
        }
    }

    /** @param  array<string, mixed>  $row */
    private function keep(Version $version, Plan $plan, string $page, string $variant, array $row): void
    {
        $this->container->make(FollowsDrawing::class)->drawn(PublishedPage::query()->updateOrCreate(['version_id' => $version->id,
            'page_id' => $page, 'variant' => $variant], $row), $version->funnel, $plan);
    }

    /** A page that an earlier release drew is drawn for the styles of today, together with the others of its version. */
    public function fresh(PublishedPage $page): PublishedPage
    {
        if ($page->drawn_by === PageRenderer::REVISION) {
            return $page;
        }
        $this->write($page->version, $page->version->plan(), $page->version->funnel->business);

        return $page->refresh();
    }

    /** What was drawn before the business changed what all its pages say is drawn again, each version when it is asked for next. */
    public function drawAnew(Business $business): void
    {
        PublishedPage::query()->whereIn('version_id', Version::query()->select('id')->whereIn('funnel_id',
            Funnel::query()->select('id')->where('business_id', $business->id)))->update(['drawn_by' => 0]);
    }

    /** @return array{test: string, weights: array<string, int>}|null */
    private static function splitTest(Plan $plan, PagePlan $page): ?array
    {
        $test = $plan->testOf($page->id);

        return $test === null ? null : ['test' => $test->id, 'weights' => $plan->weightsOf($test)];
    }

    /** @return list<string> */
    private static function leadsTo(Plan $plan, PagePlan $page): array
    {
        $ways = array_filter($plan->ways, fn (Way $w): bool => $w->page === $page->id && $w->toPage !== null);

        return array_values(array_unique([...array_map(fn (Way $w): string => (string) $w->toPage, $ways), ...$page->document->pages()]));
    }

    /** @return array<string, mixed> */
    private function row(Plan $plan, PagePlan $page, Business $business, ?Popup $popup = null, string $variant = ''): array
    {
        $renderer = $this->container->make(PageRenderer::class);
        $html = $popup === null ? $renderer->forVisitors($plan, $page, $business, $variant) : $renderer->forPopup($plan, $popup, $business);
        $voice = Voices::of($plan->languageOf($page), $business, $plan->phrases());
        $own = $plan->phrases()->over(OwnPhrases::of($business->phrases))->for($voice->language());
        $slots = [];
        foreach (Slots::in($html) as [$kind, $of]) {
            $slots[$of === '' ? $kind : "{$kind}:{$of}"] = $this->slots->slot($kind)->note($of, $plan, $page, $voice);
        }

        return ['role' => $page->role, 'address' => $page->address, 'language' => $plan->languageOf($page),
            'phrases' => $own->toArray(), 'html' => $html,
            'slots' => $slots, 'split_test' => $variant === SplitTest::ORIGINAL ? self::splitTest($plan, $page) : null,
            'products' => array_values(array_map(fn (Product $p): string => $p->id,
                array_filter($plan->products, fn (Product $p): bool => $p->page === $page->id))) ?: null,
            'deadlines' => PageDeadlines::note($plan, $page),
            'places' => $popup === null ? PageReading::places($page) : null,
            'leads_to' => $popup === null ? self::leadsTo($plan, $page) : null, 'popup' => $popup?->toArray(),
            'policy' => PagePolicy::of($page, $business)->toArray(), 'drawn_by' => PageRenderer::REVISION];
    }
}
