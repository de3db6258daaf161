<?php

declare(strict_types=1);

namespace App\Export;

use App\Languages\Voices;
use App\Models\Business;
use App\Models\Upload;
use App\Rendering\PageAssets;
use App\Rendering\PageRenderer;
use App\Rendering\PictureFacts;
use App\Rendering\SiteAssets;
use App\Rendering\Slots;
use App\Support\SiteAddress;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\Events\Outcome;
use Lantern\Core\Guides\Guide;
use Lantern\Core\Journey\Journey;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use RuntimeException;
use ZipArchive;

/**
 * Pages as plain HTML in a zip that opens from a folder: styles and script inside the pages, fonts, pictures and
 * videos beside them. Forms post home if home has an address that others can reach; otherwise they say that they cannot.
 */
final readonly class HtmlExport
{
    public function __construct(private PageRenderer $renderer, private PictureFacts $facts)
    {
    }

    /**
     * @param  list<PagePlan>  $pages  those to take along
     * @param  SiteAddress|null  $home  where the funnel's pages are; null when nobody else can reach it
     * @return string the path of the zip, in the temporary folder
     */
    public function zip(Plan $plan, array $pages, Business $business, ?SiteAddress $home): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'lantern-html');
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('The zip could not be made.');
        }
        $uploads = $this->facts->uploads($plan, $pages, $business->id);
        $fonts = [];
        foreach ($pages as $page) {
            array_push($fonts, ...SiteAssets::fontFiles(PageAssets::of($plan, $page)));
            $zip->addFromString(self::fileName($page), $this->html($plan, $page, $pages, $business, $home));
        }
        foreach (array_unique($fonts) as $font) {
            $zip->addFile(public_path(ltrim($font, '/')), 'assets/'.basename($font));
        }
        foreach ($uploads as $upload) {
            $this->addMedia($zip, $upload);
        }
        $zip->addFromString('READ ME.txt', self::readMe($home));
        $zip->close();

        return $path;
    }

    /** @return list<PagePlan> the guides of a funnel, each with all of its pages */
    public static function guides(Plan $plan): array
    {
        return array_map(fn (Guide $g): PagePlan => PagePlan::ofGuide($g, $plan->pagesOf($g->id)), $plan->guides);
    }

    public static function fileName(PagePlan $page): string
    {
        return ($page->address === '' ? 'index' : $page->address).'.html';
    }

    /** @param  list<PagePlan>  $pages */
    private function html(Plan $plan, PagePlan $page, array $pages, Business $business, ?SiteAddress $home): string
    {
        $there = $home?->url($page->address);
        $fill = ['head' => SiteAssets::inline(PageAssets::of($plan, $page)), 'site' => e($home?->to('') ?? ''),
            'here' => $there === null ? '#' : e($there), 'token' => 'elsewhere', 'code:head' => $page->settings->head,
            'code:end' => $page->settings->bodyEnd];
        $taken = array_map(fn (PagePlan $p): string => $p->id, $pages);
        $guides = self::guides($plan);
        foreach ([...$plan->pages, ...$guides] as $other) {
            $fill["page:{$other->id}"] = in_array($other->id, $taken, true) ? self::fileName($other)
                : ($home === null ? '#' : e($home->url($other->address)));
            $fill["whole:{$other->id}"] = $home === null ? self::fileName($other)
                : e($home->url($other->address));
        }
        foreach ($plan->leadMagnets as $leadMagnet) {
            $guide = $leadMagnet->guide;
            $to = $guide !== null && in_array($guide, $taken, true) ? $fill["page:{$guide}"] : ($home === null ? null : e($home->url()));
            $fill["download:{$leadMagnet->id}"] = $to === null ? '' : '<a class="button" href="'.$to.'">'.e($leadMagnet->title).'</a>';
        }
        $voice = Voices::of($plan->languageOf($page), $business, $plan->phrases());
        $fill += PageRenderer::countdowns($plan, $page, $voice, null);
        // Nothing is sold from a copy: prices, places and cards are asked for where they hold.
        $buy = $there === null ? '<p class="consent small">'.e($voice->say('page.copy_no_buy')).'</p>'
            : '<p class="act"><a class="button" href="'.e($there).'">'.e($voice->say('page.to_checkout')).'</a></p>';
        foreach ($page->document->blocksOf(BlockKind::Checkout) as $block) {
            $fill["checkout:{$block->id}"] = $buy;
        }
        $html = Slots::fill($this->renderer->forVisitors($plan, $page, $business), $fill, []);
        // All of a guide is there, and nothing in place of what is not.
        $html = (string) preg_replace(['~<!--leaf:locked-->.*?<!--/leaf-->~s', '~<!--/?leaf[^>]*-->~'], '', $html);
        if ($there === null) {
            // A copy that stands for itself is its own first place.
            $html = (string) preg_replace('~<link rel="canonical"[^>]*>\s*~', '', $html);
            // “No, thank you” leads where it would lead, as far as the copy has it.
            $no = (new Journey($plan))->way($page->id, Outcome::Declined);
            $next = $no?->toPage;
            $to = $no->toUrl ?? ($next !== null && in_array($next, $taken, true) ? $fill["page:{$next}"] : null);
            $html = (string) preg_replace('~\shref="#\?answer=no"~', $to === null ? ' aria-disabled="true"' : ' href="'.e($to).'"', $html);
        }
        // A copy reports no visits, and finds its pictures beside it.
        $html = (string) preg_replace(['/ data-funnel="[^"]*" data-page="[^"]*"/', '~(["\s(,])/media/([0-9a-z]+)/~',
            '~(["(])/build/fonts/~'], ['', '$1media/$2-', '$1assets/'], $html);

        $cannotBeSent = '<p class="consent small">'.e($voice->say('page.copy_no_form')).'</p>';

        return $there !== null ? $html : (string) preg_replace_callback('~<button class="button" type="submit"([^>]*)>(.*?)</button>~s',
            fn (array $m): string => "<button class=\"button\" type=\"submit\" disabled{$m[1]}>{$m[2]}</button>{$cannotBeSent}", $html);
    }

    private function addMedia(ZipArchive $zip, Upload $upload): void
    {
        foreach ($upload->forms() as $path => $address) {
            if (Storage::disk('uploads')->exists($path)) {
                $zip->addFile(Storage::disk('uploads')->path($path), 'media/'.$upload->id.'-'.basename($address));
            }
        }
    }

    private static function readMe(?SiteAddress $home): string
    {
        return "Open index.html in a browser, or put all of this on any web server.\n\n"
            .($home === null
                ? "The forms cannot be sent: when this was made, the site they belong to had no address that others can reach.\n"
                : "The forms are sent to {$home->url()}. They work for as long as the funnel is live there.\n");
    }
}
