<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Serving\Browser;
use App\Serving\BusyPage;
use App\Serving\ReceivedSignups;
use App\Serving\WrittenDown;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/**
 * A form that was written down as it came is taken in before anything is answered that could depend on it: for visitors their own, for
 * owners all there are.
 */
final readonly class TakesSignupsIn
{
    public function __construct(private ReceivedSignups $signups, private WrittenDown $written)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $whose = 'own'): Response
    {
        try {
            $whose === 'all' ? $this->written->takeSignups() : $this->own($request);
        } catch (Throwable $e) {
            // While somebody else writes, whoever only looks goes on looking.
            if (! BusyPage::isWhy($e)) {
                throw $e;
            }
        }

        return $next($request);
    }

    private function own(Request $request): void
    {
        $visitor = Browser::id($request);
        $submissions = array_filter([SiteCookies::read($request, SiteCookie::Joined), $request->route('submission')], is_string(...));
        // Whoever comes for the first time has sent nothing.
        if (($visitor !== null || $submissions !== []) && ReceivedSignups::any()) {
            $visitor === null ? null : $this->written->take($visitor, CarbonImmutable::now());
            array_map($this->signups->takeOf(...), $submissions);
        }
    }
}
