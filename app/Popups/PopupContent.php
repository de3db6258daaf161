<?php

declare(strict_types=1);

namespace App\Popups;

use App\Deadlines\States;
use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Rendering\FontFiles;
use App\Rendering\PageAssets;
use App\Rendering\PopupFrame;
use App\Rendering\SiteAssets;
use App\Rendering\Slots;
use App\Serving\PageDeadlines;
use App\Serving\SlotFiller;
use App\Serving\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Popups\Placement;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\TriggerKind;

/** What is in a pop-up, filled for one visitor, for the script that shows it. */
final readonly class PopupContent
{
    /** Slots that a page has and a pop-up has not: its script brings what they would hold. */
    private const OTHERWISE = ['head', 'token', 'source', 'code', 'here'];

    public function __construct(private SlotFiller $filler)
    {
    }

    /** @return array<string, mixed> */
    public function shown(LivePopup $live, Situations $whose): array
    {
        return self::written($live->popup, $this->filled($live, $whose),
            Voices::of($live->page->language, null, OwnPhrases::of($live->page->phrases)));
    }

    /**
     * @param  string  $html  as it was drawn, with its slots filled
     * @return array<string, mixed>
     */
    public static function written(Popup $popup, string $html, SiteVoice $voice): array
    {
        $stage = fn (Placement $stand): array => ['class' => PopupFrame::classes($popup->frame, $stand), 'dialog' => $stand->isDialog()];

        return [
            'say' => ['close' => $voice->say('page.close'), 'trouble' => $voice->say('form.trouble_kept')],
            'lang' => $voice->language()->plain(), 'dir' => $voice->language()->isRightToLeft() ? 'rtl' : 'ltr',
            'id' => $popup->id, 'name' => self::heading($html) ?: $popup->name, 'placed' => $popup->isPlaced(),
            'triggers' => array_map(fn ($t): array => $t->toArray(), $popup->triggers),
            'spot' => $popup->isPlaced() ? $popup->spot->toArray() : null,
            'wide' => $stage($popup->frame->on(false)), 'phone' => $stage($popup->frame->on(true)), 'ms' => $popup->frame->ms,
            'steps' => array_map(self::scoped(...), PopupFrame::stepsIn($html)), 'style' => SiteAssets::scoped(self::style($html)),
        ];
    }

    /**
     * The styles and fonts that some pop-ups need.
     *
     * @param  list<LivePopup>  $popups
     * @return array{css: string, fonts: list<array{family: string, weight: int, url: string, range: string}>}
     */
    public static function styles(array $popups, bool $elsewhere): array
    {
        $groups = $fonts = [];
        foreach ($popups as $live) {
            $assets = PageAssets::fromArray($live->page->slots['head'] ?? []);
            array_push($groups, ...$assets->groups);
            foreach ($elsewhere ? $assets->fonts : [] as [$family, $weight]) {
                foreach (FontFiles::of($family, $weight, $assets->language) as ['url' => $url, 'range' => $range]) {
                    $fonts["{$family} {$url}"] = ['family' => $family, 'weight' => $weight,
                        'url' => $live->funnel->site()->to('/w/fonts/').basename($url), 'range' => $range];
                }
            }
        }

        return ['css' => $groups === [] ? '' : SiteAssets::scopedCss(array_values(array_unique($groups))), 'fonts' => array_values($fonts)];
    }

    /** Is it to be had before anything has opened it? Not where a click alone does: that asks by itself. */
    public static function waits(LivePopup $live): bool
    {
        return $live->popup->isPlaced()
            || array_filter($live->popup->triggers, fn ($t): bool => $t->kind !== TriggerKind::Click) !== [];
    }

    private function filled(LivePopup $live, Situations $whose): string
    {
        $asked = $whose->asked;
        // Merge fields read the address of the page that the visitor looks at.
        $request = Request::create('/?'.$asked->query(), 'GET', [], request()->cookies->all());
        $deadlines = PageDeadlines::of($live->page);
        $now = CarbonImmutable::now();
        $visit = new Visit($live->funnel, $live->page, $request, deadlines: $deadlines,
            states: $deadlines === null ? null : States::of($deadlines->deadlines, $whose->identity, $now), identity: $whose->identity);
        $fill = $this->filler->filling($visit, self::OTHERWISE);
        $html = Slots::replace($live->page->html, fn (string $kind, string $of, string $fallback): string => match (true) {
            $kind === 'here' => '#',
            in_array($kind, self::OTHERWISE, true) => '',
            default => $fill($kind, $of, $fallback),
        });

        // In a page of another site every address is a whole one. Those of pages have the path of the site in them, others have not.
        return $asked->site === null ? $html : (string) preg_replace(['~(["\s(,])/(?=(?:media|build|p)/)~', '~\b(href|action)="/(?!/)~'],
            ['$1'.$live->funnel->site()->to('/'), '$1="'.$live->funnel->site()->origin.'/'], $html);
    }

    /** HTML whose style attributes are measured by us, as its styles are. */
    private static function scoped(string $html): string
    {
        return (string) preg_replace_callback('~ style="[^"]*"~', fn (array $m): string => SiteAssets::scoped($m[0]), $html);
    }

    private static function heading(string $html): string
    {
        $main = PopupFrame::stepsIn($html);
        preg_match('~<h2[^>]*>(.*?)</h2>~s', $main['question'] ?? $main['main'] ?? '', $m);

        return trim(html_entity_decode(strip_tags($m[1] ?? ''), ENT_QUOTES | ENT_HTML5));
    }

    private static function style(string $html): string
    {
        preg_match('~<body[^>]* style="([^"]*)"~', $html, $m);

        return html_entity_decode($m[1] ?? '', ENT_QUOTES | ENT_HTML5);
    }
}
