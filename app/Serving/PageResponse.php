<?php

declare(strict_types=1);

namespace App\Serving;

use App\Rendering\Slots;
use Illuminate\Http\Response;

/** A published page with its slots filled for one visitor. */
final readonly class PageResponse
{
    public function __construct(private SlotFiller $filler)
    {
    }

    public function answer(Visit $visit, int $status = 200): Response
    {
        $html = Slots::replace(GuideGate::html($visit), $this->filler->filling($visit));

        $headers = PagePolicy::fromArray($visit->page->policy)->headers()
            + ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'private, no-cache', 'Vary' => 'Accept-Encoding'];
        // Packed here, so that it is small whatever server stands in front.
        if (in_array('gzip', $visit->request->getEncodings(), true) && ($packed = gzencode($html, 6)) !== false) {
            return new Response($packed, $status, $headers + ['Content-Encoding' => 'gzip']);
        }

        return new Response($html, $status, $headers);
    }
}
