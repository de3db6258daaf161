<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Drafts\DraftPlan;
use App\Drafts\DraftRows;
use App\Forms\PopupOrigin;
use App\Forms\Signup;
use App\Forms\TakeSignup;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Models\Site;
use App\Models\Version;
use App\Popups\FactLog;
use App\Popups\LivePopup;
use App\Popups\PopupView;
use App\Popups\SeenPages;
use App\Popups\VisitLog;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Journey\AfterForm;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Popups\TriggerKind;
use Lantern\Core\Support\Shape;
use RuntimeException;

/** The pop-up on the long opt-in page, and the sample site with a placed form and a slip; with what they brought in some weeks. */
final readonly class DemoPopups
{
    /** As the pages in database/demo/site name it. */
    public const SITE = '01jdem0s1te000000000000000';

    /** Pages of the sample site with how often each is read, of a hundred. */
    private const NOTES = ['/' => ['Practice notes', 30], '/the-chair' => ['Where does your cello stand?', 34],
        '/four-bars' => ['Only four bars', 24], '/winter-strings' => ['Strings in winter', 8], '/about' => ['About these notes', 4]];

    public function __construct(private TakeSignup $takeSignup)
    {
    }

    /** The starter's pop-up is switched on; on the sample site a form and a slip are placed. */
    public function write(Funnel $funnel): void
    {
        DraftPart::there($funnel->id, Popup::kind())->firstOrFail()->change(['on' => true, 'name' => 'Before they leave'])->save();
        $port = (int) parse_url((string) config('lantern.site_url'), PHP_URL_PORT);
        Site::query()->create(['id' => self::SITE, 'business_id' => $funnel->business_id, 'name' => 'Practice notes',
            'origin' => 'http://127.0.0.1:'.($port > 0 ? $port + 1 : 8001)]);
        $parts = DraftPlan::read($funnel)->firstParts();
        $this->add($funnel, 'popup-placed-beside', $parts, ['name' => 'In the note about the chair', 'tag' => 'Practice notes',
            'targeting' => ['pages' => 'none',
                'sites' => [['site' => self::SITE, 'patterns' => [['how' => 'exactly', 'text' => '/the-chair']]]]],
            'spot' => ['how' => 'after-paragraph', 'number' => 4]],
            'Twelve minutes, and where to put them', 'Five pages: what to do in each of the twelve, and what to leave out.');
        $this->add($funnel, 'popup-slip', $parts, ['name' => 'Slip on the notes', 'tag' => 'Practice notes',
            'triggers' => [['kind' => 'seconds', 'amount' => 15], ['kind' => 'depth', 'amount' => 70]],
            'targeting' => ['pages' => 'none', 'sites' => [['site' => self::SITE, 'patterns' => [['how' => 'exactly',
                'text' => '/the-chair',
                'except' => true]]]]]],
            'The Twelve-Minute Practice Plan', 'You came for “{{site_title|a note}}”. This goes well with it.');
    }

    /**
     * @param  array<string, string>  $parts
     * @param  array<string, mixed>  $with
     */
    private function add(Funnel $funnel, string $design, array $parts, array $with, string $heading, string $text): void
    {
        $written = PopupDesigns::fresh(Ids::next(), 'x', PopupDesigns::get($design), Ids::next(...), $parts)->toArray();
        foreach ($written['document']['sections'][0]['blocks'] as $i => $block) {
            $written['document']['sections'][0]['blocks'][$i] = match ($block['kind']) {
                'heading' => ['text' => $heading], 'text' => ['html' => $text], default => [],
            } + $block;
        }
        DraftRows::add($funnel->refresh(), Popup::fromShape(Shape::of($with + ['on' => true] + $written)));
    }

    /** Somebody looks at the long page. Those who are about to leave are asked; some take it, and most close it. */
    public function view(Funnel $funnel, string $visitor, DemoCrowd $crowd, CarbonImmutable $at, bool $joins, ?string $source): ?PopupView
    {
        $live = $this->popup($funnel, 'Before they leave');
        $page = $live === null ? null : PublishedPage::query()->where('version_id', $live->page->version_id)
            ->where('page_id', $live->popup->targeting->ids[0])->first();
        if ($live === null || $page === null || ! $crowd->chance($joins ? 0.12 : 0.85)) {
            return null;
        }
        $asked = new PopupView($funnel->business, $funnel, $page, null, '', '', $visitor, $source === null ? '' : "utm_source={$source}",
            ['en'],
            $crowd->chance(0.45), false, false, $visitor, $at);
        VisitLog::view($funnel->id, $visitor, false, $at);
        FactLog::write($live, PopupFactType::Eligible, $asked, null);
        if ($joins || $crowd->chance(0.55)) {
            $after = $crowd->between(9, 30);
            $this->at($at->addSeconds($after), fn () => FactLog::write($live, PopupFactType::Shown, $asked, null, TriggerKind::Leaving,
                $after * 1000));
            if (! $joins && $crowd->chance(0.8)) {
                $this->at($at->addSeconds($after + 4), fn () => FactLog::write($live, PopupFactType::Closed, $asked, null,
                    TriggerKind::Leaving, ($after + 4) * 1000));
            }

            return $joins ? $asked : null;
        }

        return null;
    }

    /** Whoever was asked has joined. */
    public function joined(Funnel $funnel, PopupView $asked, string $person): void
    {
        $live = $this->popup($funnel, 'Before they leave');
        if ($live !== null) {
            FactLog::write($live, PopupFactType::Joined, $asked, $person, TriggerKind::Leaving, 40_000);
        }
    }

    /** @return string|null the id of the pop-up, for the form that was filled in in it */
    public function id(Funnel $funnel): ?string
    {
        return $this->popup($funnel, 'Before they leave')?->popup->id;
    }

    /** Weeks of readers on the sample site. */
    public function readers(Business $business, DemoCrowd $crowd, CarbonImmutable $from, CarbonImmutable $until, int $count): void
    {
        $site = Site::query()->with('business')->findOrFail(self::SITE);
        $popups = LivePopup::ofSite($business, $site->id);
        $moments = array_map(fn (): int => $crowd->between(0, max(1, (int) $from->diffInSeconds($until) - 400)), array_fill(0, $count, 0));
        sort($moments);
        foreach ($moments as $seconds) {
            $at = $from->addSeconds($seconds);
            $dice = $crowd->between(1, 100);
            foreach (self::NOTES as $path => [$title, $share]) {
                if (($dice -= $share) <= 0) {
                    break;
                }
            }
            $visitor = $crowd->visitorId();
            $asked = new PopupView($business, null, null, $site, $path, $title, $visitor, '', ['en'], $crowd->chance(0.5), false, false,
                $visitor,
                $at);
            $this->at($at, function () use ($site, $path, $title, $at, $visitor, $popups, $asked, $crowd): void {
                SeenPages::see($site, $path, $title, $at);
                VisitLog::view($site->id, $visitor, false, $at);
                foreach ($popups as $live) {
                    $pattern = $live->popup->targeting->site($site->id)?->fits($path);
                    if ($pattern === null) {
                        continue;
                    }
                    FactLog::write($live, PopupFactType::Eligible, $asked, null, pattern: $pattern);
                    $seen = $live->popup->isPlaced() ? 0.62 : 0.48;
                    $by = $live->popup->isPlaced() ? null : ($crowd->chance(0.6) ? TriggerKind::Seconds : TriggerKind::Depth);
                    if ($crowd->chance($seen)) {
                        FactLog::write($live, PopupFactType::Shown, $asked, null, $by, $crowd->between(15, 90) * 1000, $pattern);
                        if ($crowd->chance($live->popup->isPlaced() ? 0.085 : 0.03)) {
                            FactLog::write($live, PopupFactType::Joined, $asked, $this->join($live, $asked, $crowd), $by,
                                $crowd->between(91, 140) * 1000, $pattern);
                        } elseif (! $live->popup->isPlaced() && $crowd->chance(0.5)) {
                            FactLog::write($live, PopupFactType::Closed, $asked, null, $by, $crowd->between(91, 140) * 1000, $pattern);
                        }
                    }
                }
            });
        }
    }

    /** @return string the id of whoever has joined on the sample site */
    private function join(LivePopup $live, PopupView $asked, DemoCrowd $crowd): string
    {
        $version = Version::query()->findOrFail($live->page->version_id);
        $plan = $version->plan();
        $form = $plan->forms[0];
        $page = AfterForm::pageOf($plan, $form->id) ?? throw new RuntimeException('A funnel has a page.');
        [$submission] = $this->takeSignup->take(new Signup($live->funnel, $version, $page, $form, Answers::read($form, $crowd->somebody()),
            md5((string) $asked->visitor), CarbonImmutable::now(), $asked->visitor, $crowd->zone(), ['ref' => '127.0.0.1'],
            '192.0.2.'.$crowd->between(1, 254), 'Demo browser', popped: new PopupOrigin($live->popup->id, $asked->site?->id,
                $asked->path)));

        return $submission->person_id;
    }

    private function popup(Funnel $funnel, string $name): ?LivePopup
    {
        foreach (LivePopup::ofFunnel($funnel) as $live) {
            if ($live->popup->name === $name) {
                return $live;
            }
        }

        return null;
    }

    private function at(CarbonImmutable $moment, callable $work): void
    {
        $now = CarbonImmutable::now();
        CarbonImmutable::setTestNow($moment);
        $work();
        CarbonImmutable::setTestNow($now);
    }
}
