<?php

declare(strict_types=1);

namespace App\Serving;

use App\Rendering\Slots;
use App\Serving\Slots\SlotReach;
use Carbon\CarbonImmutable;
use Illuminate\Http\Response;

/** A published page with its slots filled for one visitor. */
final readonly class PageResponse
{
    public function __construct(private SlotFiller $filler)
    {
    }

    public function answer(Visit $visit, int $status = 200): Response
    {
        return self::packed($visit, $this->html($visit), $status, ['Cache-Control' => PageHeaders::PERSONAL]);
    }

    /** For whoever looks at it at its own address. */
    public function look(Visit $visit, LivePage $live): Response
    {
        $html = $this->html($visit);
        if (! self::isSameForAll($live)) {
            return self::packed($visit, $html, 200, ['Cache-Control' => $live->deadlines !== null || $live->page->variant !== ''
                || $live->page->split_test !== null ? PageHeaders::NOT_KEPT : PageHeaders::PERSONAL]);
        }
        $headers = PageHeaders::shared(PageHeaders::tag($html), $live->funnel->opening()->sharedFor(CarbonImmutable::now()));

        return PageHeaders::isKnown($headers['ETag'], $visit->request->headers->get('If-None-Match'))
            ? (new Response('', 304, PageHeaders::of(PagePolicy::fromArray($visit->page->policy)) + $headers))->setNotModified()
            : self::packed($visit, $html, 200, $headers);
    }

    private function html(Visit $visit): string
    {
        return Slots::replace(GuideGate::html($visit), $this->filler->filling($visit));
    }

    /** Is there nothing in it that is one visitor's, or stands there for a while only? */
    private static function isSameForAll(LivePage $live): bool
    {
        $page = $live->page;

        return ! $live->closed && $live->deadlines === null && $page->split_test === null && $page->variant === ''
            && $page->products === null && $page->guide === null && array_filter(array_keys($page->slots),
                fn (string $slot): bool => SlotReach::of(explode(':', $slot)[0]) !== SlotReach::Published) === [];
    }

    /** @param  array<string, string>  $headers */
    private static function packed(Visit $visit, string $html, int $status, array $headers): Response
    {
        $headers += PageHeaders::of(PagePolicy::fromArray($visit->page->policy));
        // Packed here, so that it is small whatever server stands in front.
        if (PageHeaders::takesPacked($visit->request->headers->get('Accept-Encoding')) && ($packed = gzencode($html, 6)) !== false) {
            return new Response($packed, $status, $headers + ['Content-Encoding' => 'gzip']);
        }

        return new Response($html, $status, $headers);
    }
}
