<?php

declare(strict_types=1);

namespace App\Front;

use App\Languages\Voices;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Rendering\PageRenderer;
use App\Rendering\Slots;
use App\Serving\BusyPage;
use App\Serving\FollowsDrawing;
use App\Serving\PageHeaders;
use App\Serving\PagePolicy;
use App\Serving\Slots\SlotKinds;
use App\Serving\Slots\SlotReach;
use App\Serving\VisitFacts;
use App\Support\Hosts;
use App\Support\Setting;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Plan\Plan;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/** Writes down published pages so that they can be answered before the framework starts: {@see Front} reads them. */
final readonly class FrontPages implements FollowsDrawing
{
    public function __construct(private SlotKinds $slots)
    {
    }

    public function drawn(PublishedPage $page, Funnel $funnel, Plan $plan): void
    {
        if (! self::isFor($page)) {
            DB::table('page_fronts')->where('page', $page->id)->delete();

            return;
        }
        DB::table('page_fronts')->upsert(['page' => $page->id, 'stamp' => self::settings()->stamp, 'place' => $funnel->site()->place(),
            'written' => $this->made($page, $funnel, $plan)->written()], ['page']);
    }

    /**
     * A page that the framework had to answer, although it need not, is written down for the next visit; so are the settings. It is
     * done when the answer is out, and left for another time while the database is somebody else's.
     */
    public function catchUp(PublishedPage $page, Funnel $funnel): void
    {
        $settings = self::settings();
        if (! $settings->on || ! self::isFor($page)) {
            return;
        }
        $this->whenFree(function () use ($settings, $page, $funnel): void {
            if (is_file($settings->database) && FrontSettings::load(base_path()) === null) {
                $settings->write(base_path());
            }
            $row = DB::table('page_fronts')->where('page', $page->id)->first(['stamp', 'place']);
            if ($page->drawn_by === PageRenderer::REVISION && ($row?->stamp !== $settings->stamp
                || $row->place !== $funnel->site()->place())) {
                $this->drawn($page, $funnel, $page->version->plan());
            }
        });
    }

    /** What was said just now because there is no such funnel is written down for the next one who asks for none. */
    public function catchUpNotice(Response $said): void
    {
        $settings = self::settings();
        $business = DB::table('businesses')->orderBy('id')->first(['language', 'phrases']);
        if (! $settings->on || $business === null) {
            return;
        }
        $words = FrontNotice::wordsOf((string) $business->language, (string) $business->phrases);
        $this->whenFree(function () use ($settings, $words, $said): void {
            $row = DB::table('front_notices')->where('name', FrontNotice::NOT_HERE)->first(['stamp', 'words']);
            if ($row?->stamp === $settings->stamp && $row->words === $words) {
                return;
            }
            $headers = array_map(fn (array $values): string => (string) ($values[0] ?? ''),
                $said->headers->allPreserveCaseWithoutCookies());
            unset($headers['Date'], $headers['Strict-Transport-Security']);
            DB::table('front_notices')->upsert(['name' => FrontNotice::NOT_HERE, 'stamp' => $settings->stamp, 'words' => $words,
                'written' => (new FrontNotice($headers, (string) $said->getContent()))->written()], ['name']);
        });
    }

    private function whenFree(callable $write): void
    {
        try {
            $write();
        } catch (Throwable $e) {
            if (! BusyPage::isWhy($e)) {
                report($e);
            }
        }
    }

    public static function settings(): FrontSettings
    {
        $database = config('database.default') === 'sqlite' ? (string) config('database.connections.sqlite.database') : '';
        $built = array_map(fn (string $name): string => (string) @file_get_contents(public_path("build/{$name}")),
            ['manifest.json', 'popup-manifest.json']);

        return new FrontSettings((bool) config('lantern.front') && $database !== '', (string) config('app.key'), Hosts::studio(),
            Hosts::site(), $database, array_values(array_filter((array) config('lantern.trusted_proxies'), is_string(...))),
            hash('xxh128', implode("\n", [Front::REVISION, PageRenderer::REVISION, Hosts::studio(), Hosts::site(), ...$built])),
            PageRenderer::REVISION, array_combine(FrontSettings::SIGNUPS, array_map(Setting::text(...), FrontSettings::SIGNUPS)));
    }

    /** Can it be answered without the framework, at least for some? */
    private static function isFor(PublishedPage $page): bool
    {
        return $page->popup === null && $page->guide === null && $page->products === null
            && array_filter(array_keys($page->slots), fn (string $slot): bool => self::reach($slot) === SlotReach::Framework) === [];
    }

    private static function reach(string $slot): SlotReach
    {
        return SlotReach::of(explode(':', $slot)[0]);
    }

    private function made(PublishedPage $page, Funnel $funnel, Plan $plan): FrontPage
    {
        // A variant stands where its page stands.
        $address = $page->variant === '' ? $page->address : (string) PublishedPage::query()->where('version_id', $page->version_id)
            ->where('page_id', $page->page_id)->whereIn('variant', ['', SplitTest::ORIGINAL])->orderBy('variant')->value('address');
        $visit = new VisitFacts($funnel->site(), $page->page_id, $address, false, [], '', null, null, CarbonImmutable::now(),
            Hosts::areSeparate(), Voices::of($page->language, null, OwnPhrases::of($page->phrases)));
        $pieces = Pieces::of(array_map(function (string|array $part) use ($page, $visit): string|array {
            if (is_string($part)) {
                return $part;
            }
            ['kind' => $kind, 'of' => $of] = $part;
            $noted = $page->slots[$of === '' ? $kind : "{$kind}:{$of}"] ?? [];

            return SlotReach::of($kind) === SlotReach::Published ? $this->slots->slot($kind)->fill($of, $noted, $part['fallback'], $visit)
                : $part + ['noted' => $noted];
        }, Slots::split($page->html)));
        $tellsTime = array_intersect(array_column($pieces->slots(), 'kind'), ['countdown', 'sessions']) !== [];
        $isSame = ! $pieces->hasSlots() && $page->deadlines === null && $page->split_test === null && $page->variant === '';

        return new FrontPage($page->page_id, $address, $page->role, $page->language, $page->phrases,
            PageHeaders::of(PagePolicy::fromArray($page->policy)), $page->deadlines, $page->split_test, $pieces,
            $tellsTime ? TimeWords::spelled($page->language) : [],
            $isSame ? PageHeaders::tag($pieces->filled(fn (): string => '', false)) : null, FrontSignups::forms($page, $funnel, $plan));
    }
}
