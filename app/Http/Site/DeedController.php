<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Serving\Browser;
use App\Serving\DeedReport;
use App\Serving\WrittenDown;
use App\Support\AnswerKind;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/**
 * Takes what the visitor script reports of a page beside having seen it: which button was pressed, and how far somebody read. It answers
 * the same whatever it was told.
 */
final readonly class DeedController
{
    public function __construct(private WrittenDown $written)
    {
    }

    public function __invoke(Request $request): Response
    {
        $report = Browser::isOwner($request) ? null : DeedReport::of($request->request->all() + $request->json()->all(),
            SiteCookies::read($request, SiteCookie::Visitor), $request->userAgent(), $request->headers->get('Sec-Purpose'));
        if ($report !== null) {
            DB::transaction(function () use ($report, $request): void {
                $now = CarbonImmutable::now();
                DB::affectingStatement(DeedReport::NOTE, $report->values((string) $request->ip(), $now));
                $this->written->take($report->visitor, $now);
            });
        }

        return new Response('', 204, AnswerKind::Plain->headers());
    }
}
