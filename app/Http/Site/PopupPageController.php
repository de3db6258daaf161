<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\AfterSubmission;
use App\Models\PublishedPage;
use App\Popups\JoinInPopup;
use App\Popups\LivePopup;
use App\Popups\PopupView;
use App\Rendering\PopupFrame;
use App\Rendering\SiteAssets;
use App\Serving\Arrival;
use App\Serving\Browser;
use App\Serving\LivePage;
use App\Serving\PageResponse;
use App\Serving\PlainPage;
use App\Serving\Source;
use App\Support\AnswerKind;
use App\Support\Packed;
use App\Support\Place;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Lantern\Core\Languages\Phrase;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/**
 * A pop-up as a page of its own, for what knows no script: a link that would open it, and a frame on a site that forbids scripts.
 * Only in a frame may it stand on the pages of others.
 */
final readonly class PopupPageController
{
    public function __construct(private PageResponse $pages, private JoinInPopup $join)
    {
    }

    public function show(Request $request, string $popup): AnyResponse
    {
        $live = LivePopup::find($popup);

        return $live === null ? PlainPage::notHere()->response() : $this->page($request, $live, 'main');
    }

    public function take(Request $request, string $popup): AnyResponse
    {
        $live = LivePopup::find($popup);
        $entry = $live === null ? null : PublishedPage::query()->where('version_id', $live->page->version_id)->where('address', '')
            ->first();
        if ($live === null || $entry === null) {
            return PlainPage::notHere()->response();
        }
        $asked = new PopupView($live->funnel->business, $live->funnel, $entry, null, '', '',
            Browser::id($request) ?? str_replace('-', '', (string) Str::uuid()),
            http_build_query(Source::read($request->input('source'))), [], false, false, Browser::isOwner($request),
            Str::lower(Str::random(32)), CarbonImmutable::now());
        $joined = $this->join->take($request, $asked, $live);
        if ($joined->submission === null) {
            return $this->page($request, $live, 'main', Source::typed($request->request->all()), $joined->errors, $joined->status);
        }
        // A second step of a form has no place here: what it asks for is left out.
        if ($live->popup->after->kind === 'thanks') {
            return $this->page($request, $live, 'thanks');
        }
        $go = $joined->go !== '' ? $joined->go : AfterSubmission::url($joined->submission, $live->page->version->plan());

        // Out of the frame: a whole page does not belong into it.
        return $request->boolean('frame') ? $this->framed(PlainPage::goOn($go)->response($live->page->language, $live->funnel))
            : redirect()->away($go, 303)
                ->withCookie(SiteCookies::give(SiteCookie::Joined, $joined->submission->id, $live->funnel->site()));
    }

    /**
     * @param  array<string, string|list<string>>  $typed
     * @param  array<string, Phrase>  $errors
     */
    private function page(Request $request, LivePopup $live, string $step, array $typed = [], array $errors = [],
        int $status = 200): AnyResponse
    {
        $row = clone $live->page;
        $row->html = PopupFrame::only($row->html, $step);
        $page = new LivePage($live->funnel, $row);
        $response = $this->pages->answer(Arrival::again($page, $request)->with($typed, $errors), $status);

        return $request->boolean('frame') ? $this->framed($response) : $response;
    }

    private function framed(AnyResponse $response): AnyResponse
    {
        $response->headers->remove('X-Frame-Options');
        $response->headers->set('Content-Security-Policy',
            str_replace("frame-ancestors 'self'", 'frame-ancestors *', (string) $response->headers->get('Content-Security-Policy')));

        return $response;
    }

    /** A font for pages of other sites, which need leave to use it. */
    public function font(string $file): Response
    {
        $path = public_path("build/fonts/{$file}");

        return ! is_file($path) ? new Response('', 404, AnswerKind::Plain->headers())
            : new Response((string) file_get_contents($path), 200, ['Content-Type' => 'font/woff2',
                'Cache-Control' => 'public, max-age=31536000'] + AnswerKind::Embed->headers());
    }

    /** The one line that an owner puts on their site. It is the same for good; what it shows is asked with each view. */
    public function script(Request $request, string $site): Response
    {
        $headers = ['Content-Type' => 'text/javascript; charset=utf-8', 'Cache-Control' => 'public, max-age=300']
            + AnswerKind::Embed->headers();
        if (PopupView::site($site) === null) {
            return new Response("console.info('This site is not known any more.');\n", 200, $headers);
        }
        $given = json_encode(['site' => $site, 'host' => Place::here($request)->front()],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_HEX_TAG);
        $response = new Response("(function(lantern){\n".SiteAssets::text('resources/site/popup.ts')."\n})({$given});\n", 200, $headers);
        $response->setEtag(hash('xxh128', (string) $response->getContent()));

        return $response->isNotModified($request) ? $response : Packed::for($request, $response);
    }
}
