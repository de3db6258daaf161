<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Drafts\DraftPlan;
use App\Languages\SiteVoice;
use App\Languages\Voices;
use App\Models\Funnel;
use App\Popups\PopupContent;
use App\Rendering\PageAssets;
use App\Rendering\PageRenderer;
use App\Rendering\SiteAssets;
use App\Rendering\Slots;
use App\Serving\PagePolicy;
use App\Serving\PlainPage;
use App\Serving\PreviewLink;
use App\Support\Hosts;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Lantern\Core\Deadlines\ShownState;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Shows a draft to a colleague. Forms lead on to where they would lead, and nothing is stored or counted. */
final readonly class PreviewController
{
    public function __construct(private PageRenderer $renderer)
    {
    }

    public function show(Request $request, string $funnel, string $page = ''): AnyResponse
    {
        return $this->at($request, $funnel, $page, function (Funnel $found, Plan $plan, PagePlan $shown,
            CarbonImmutable $until) use ($request): Response {
            $link = fn (string $address): string => e(PreviewLink::make($found->id, $until, $address));
            $voice = Voices::of($plan->languageOf($shown), $found->business, $plan->phrases());
            $fill = ['here' => $link($shown->address), 'head' => SiteAssets::head(PageAssets::of($plan, $shown), false),
                'site' => e(Hosts::site()),
                'code:end' => '<p class="preview-note" style="position:fixed;left:0;bottom:0;margin:0;padding:.4rem '
                        .'.8rem;background:#20302d;color:#fffdf8;font:600 .9rem/1.3 sans-serif">'
                        .e($voice->say('page.preview')).'</p>'];
            $fill['code:end'] .= $this->popup($request, $plan, $found, $voice);
            foreach ([...$plan->pages, ...$plan->guides] as $other) {
                $fill["page:{$other->id}"] = $link($other->address);
                $fill["whole:{$other->id}"] = e($found->url($other->address));
            }
            foreach ([...$shown->document->blocksOf(BlockKind::Checkout), ...$shown->document->blocksOf(BlockKind::Price)] as $block) {
                $button = '<form method="post" id="buy" action="'.$link($shown->address).'"><button class="button main">'
                    .e($block->field('text')).'</button></form>';
                $fill["checkout:{$block->id}"] = $fill["extra:{$block->id}"] = $button;
            }
            foreach ($plan->leadMagnets as $leadMagnet) {
                $guide = $plan->guide($leadMagnet->guide ?? '');
                $fill["download:{$leadMagnet->id}"] = ($guide === null ? '' : '<a class="button" href="'.$link($guide->address).'">'
                    .e($voice->say('guide.read')).'</a> ').($leadMagnet->file === null ? ''
                        : '<a class="button">'.e($voice->say('file.download')).'</a> <span class="file-note">'
                    .e($leadMagnet->kindAndSize($voice->language())).'</span>');
            }

            $fill += PageRenderer::countdowns($plan, $shown, $voice, ShownState::tryFrom(Input::text($request, 'deadline'))
                ?? ShownState::TwoDays);

            return new Response(Slots::fill($this->renderer->forVisitors($plan, $shown, $found->business), $fill, []), 200,
                PagePolicy::of($shown, $found->business)->withoutCode()->headers()
                    + ['Cache-Control' => 'private, no-store', 'X-Robots-Tag' => 'noindex']);
        });
    }

    /** A pop-up that is to be played over the page, by what opens it: with it comes the script that shows it. */
    private function popup(Request $request, Plan $plan, Funnel $funnel, SiteVoice $voice): string
    {
        $popup = $plan->popup(Input::text($request, 'popup'));
        if ($popup === null) {
            return '';
        }
        $drawn = PagePlan::ofPopup($popup);
        $html = Slots::fill($this->renderer->forPopup($plan, $popup, $funnel->business),
            ['here' => '#'] + PageRenderer::countdowns($plan, $drawn, $voice, ShownState::TwoDays), []);
        $assets = PageAssets::of($plan, $drawn);
        $given = json_encode(['popups' => [PopupContent::written($popup, $html, $voice)],
            'css' => SiteAssets::scopedCss($assets->groups)],
            JSON_THROW_ON_ERROR | JSON_HEX_TAG | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);

        return '<script type="application/json" id="lantern-preview">'.$given.'</script><script async src="'.SiteAssets::popups()
            .'"></script>';
    }

    public function next(Request $request, string $funnel, string $page = ''): AnyResponse
    {
        return $this->at($request, $funnel, $page,
            function (Funnel $found, Plan $plan, PagePlan $shown, CarbonImmutable $until): RedirectResponse {
                $way = (new Journey($plan))->way($shown->id, $plan->offerOn($shown) === null ? Outcome::Joined : Outcome::Bought);
                $target = $way === null ? null : $plan->page((string) $way->toPage);

                return new RedirectResponse($way->toUrl ?? PreviewLink::make($found->id, $until, $target->address ?? $shown->address), 303);
            });
    }

    /** @param  callable(Funnel, Plan, PagePlan, CarbonImmutable): AnyResponse  $answer */
    private function at(Request $request, string $funnel, string $page, callable $answer): AnyResponse
    {
        $until = PreviewLink::until($funnel, $request->query('until'), $request->query('key'), CarbonImmutable::now());
        $found = $until === null || ! Ids::is($funnel) ? null : Funnel::query()->find($funnel);
        if ($until === null || $found === null) {
            return PlainPage::previewOver()->response();
        }
        $plan = DraftPlan::read($found);
        $shown = $plan->pageAt($page) ?? $plan->guideAt($page);

        return $shown === null ? PlainPage::notHere()->response() : $answer($found, $plan, $shown, $until);
    }
}
