<?php

declare(strict_types=1);

namespace App\Serving;

use App\Rendering\Slots;
use App\Serving\Slots\SlotKinds;
use Illuminate\Http\Response;

/** A published page with its slots filled for one visitor. */
final readonly class PageResponse
{
    public function __construct(private SlotKinds $slots)
    {
    }

    public function of(Visit $visit, int $status = 200): Response
    {
        $noted = $visit->page->slots;
        $html = Slots::replace($visit->page->html, fn (string $kind, string $of, string $fallback): string => $this->slots->of($kind)
            ->fill($of, $noted[$of === '' ? $kind : "{$kind}:{$of}"] ?? [], $fallback, $visit));

        $headers = PagePolicy::fromArray($visit->page->policy)->headers()
            + ['Content-Type' => 'text/html; charset=utf-8', 'Cache-Control' => 'private, no-cache', 'Vary' => 'Accept-Encoding'];
        // Packed here, so that it is small whatever server stands in front.
        if (in_array('gzip', $visit->request->getEncodings(), true) && ($packed = gzencode($html, 6)) !== false) {
            return new Response($packed, $status, $headers + ['Content-Encoding' => 'gzip']);
        }

        return new Response($html, $status, $headers);
    }
}
