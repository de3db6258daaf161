<?php

declare(strict_types=1);

namespace App\Serving;

use App\Languages\SiteLanguage;
use App\Serving\Facts\LoadsFacts;
use App\Serving\Slots\SlotKinds;
use App\Support\Hosts;
use App\Support\Place;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\Request;
use Lantern\Core\Languages\OwnPhrases;

/** Fills the slots of a page for one visit: asks each what it needs, loads that once for all, and hands them plain facts. */
final readonly class SlotFiller
{
    public function __construct(private SlotKinds $slots, private LoadsFacts $loads, private SiteLanguage $language)
    {
    }

    /**
     * @param  list<string>  $except  kinds that are filled otherwise
     * @return Closure(string, string, string): string what a slot of a kind is filled with, by what it is of and its fallback
     */
    public function filling(Visit $visit, array $except = []): Closure
    {
        $noted = $visit->page->slots;
        $facts = $this->facts($visit, $except);

        return fn (string $kind, string $of, string $fallback): string => $this->slots->slot($kind)
            ->fill($of, $noted[$of === '' ? $kind : "{$kind}:{$of}"] ?? [], $fallback, $facts);
    }

    /** As the address had it; what a framework makes of it is in another order. */
    private static function queryString(Request $request): string
    {
        $written = $request->server->get('QUERY_STRING');

        return is_string($written) ? $written : '';
    }

    /** @param  list<string>  $except */
    private function facts(Visit $visit, array $except): VisitFacts
    {
        $now = CarbonImmutable::now();
        $needs = [];
        foreach ($visit->page->slots as $name => $noted) {
            [$kind, $of] = [...explode(':', (string) $name, 2), ''];
            if (! in_array($kind, $except, true)) {
                array_push($needs, ...$this->slots->slot($kind)->needs($of, $noted));
            }
        }
        $request = $visit->request;
        // As it is written: what the framework makes of it is trimmed.
        parse_str(self::queryString($request), $query);

        // A form is shown again where it was sent to, wherever the pages are by now.
        $site = $request->isMethod('POST') ? Place::here($request)->addressOf($visit->funnel->id, $visit->funnel->address)
            : $visit->funnel->site();

        return new VisitFacts($site, $visit->page->page_id, $visit->page->address,
            $visit->page->popup !== null, $query, self::queryString($request),
            $request->isMethod('POST') ? $request->request->all() : null, SiteCookies::read($request, SiteCookie::Zone), $now,
            Hosts::areSeparate(), $this->language->is($visit->page->language, null, OwnPhrases::of($visit->page->phrases)),
            $visit->typed, $visit->errors,
            $visit->quote, $visit->seen, $visit->deadlines, $visit->states, $visit->identity,
            $this->loads->for($visit, $needs, $now));
    }
}
