<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\Browser;
use App\Serving\ViewReport;
use App\Serving\WrittenDown;
use App\Support\AnswerKind;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/**
 * Takes a view that the visitor script reports, where it was not taken before the framework. It answers the same whatever it was told.
 */
final readonly class BeaconController
{
    public function __construct(private WrittenDown $written)
    {
    }

    public function __invoke(Request $request): Response
    {
        $report = Browser::isOwner($request) ? null : ViewReport::of($request->request->all() + $request->json()->all(),
            SiteCookies::read($request, SiteCookie::Visitor), $request->userAgent(), $request->headers->get('Sec-Purpose'));
        if ($report !== null) {
            $reader = SiteCookies::read($request, SiteCookie::Reader);
            DB::transaction(function () use ($report, $reader, $request): void {
                DB::affectingStatement(ViewReport::NOTE, $report->values($reader, (string) $request->ip(),
                    SiteCookies::read($request, SiteCookie::Zone), CarbonImmutable::now()));
                $this->written->take($report->visitor, CarbonImmutable::now());
            });
        }

        return new Response('', 204, AnswerKind::Plain->headers());
    }
}
