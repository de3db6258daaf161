<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Http\Studio\Funnels\HomeNumbers;
use App\Models\ResultLink;
use App\Results\FunnelResults;
use App\Serving\PlainPage;
use App\Support\AnswerKind;
use Carbon\CarbonImmutable;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;
use Lantern\Core\Results\Period;

/** The results of a funnel for somebody whom its owner gave the link: numbers alone, and nobody's address. */
final readonly class SharedResultsController
{
    public function __invoke(string $key, HomeNumbers $home): Response
    {
        $link = ResultLink::query()->with('funnel.business')->where('key', $key)->whereNull('ended_at')->first();
        if ($link === null) {
            return PlainPage::notHere()->response();
        }
        $funnel = $link->funnel;
        $period = Period::last($link->days, CarbonImmutable::now(), $funnel->business->zone());
        $html = View::make('site.results', ['funnel' => $funnel, 'results' => (new FunnelResults($funnel, $period))->toArray(),
            'success' => $home->of($funnel->business, [$funnel], $period)[$funnel->id]['success']])->render();

        return new Response($html, 200, AnswerKind::Page->headers() + ['Cache-Control' => 'private, no-store',
            'X-Robots-Tag' => 'noindex', 'Referrer-Policy' => 'no-referrer']);
    }
}
