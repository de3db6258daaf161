<?php

declare(strict_types=1);

use App\Http\Middleware\AnswerHeaders;
use App\Http\Middleware\EachOnItsHost;
use App\Http\Middleware\RefuseBrokenJson;
use App\Http\Middleware\SpeaksToVisitors;
use App\Http\Middleware\StudioSession;
use App\Http\Middleware\TakesSignupsIn;
use App\Serving\BusyPage;
use App\Serving\PlainPage;
use App\Support\Hosts;
use App\Support\SiteCookie;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Route;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        commands: __DIR__.'/../routes/console.php',
        then: function (): void {
            Route::middleware(['web', RefuseBrokenJson::class])->group(base_path('routes/studio.php'));
            Route::middleware('site')->group(base_path('routes/site.php'));
        },
    )
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        // No other site calls our API, and its package is not here (see compat/README.md).
        $middleware->remove(HandleCors::class);
        $middleware->web(append: [TakesSignupsIn::class.':all'], replace: [StartSession::class => StudioSession::class]);
        // Public pages keep no session: nothing to store, nothing to lock, nothing to leak.
        $middleware->group('site',
            [Illuminate\Cookie\Middleware\EncryptCookies::class, Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse::class,
                TakesSignupsIn::class]);
        // Cookies of public pages are made and opened in one place, under seals of their own.
        $middleware->encryptCookies(except: array_map(fn (SiteCookie $c): string => $c->value, SiteCookie::cases()));
        // Who comes and over what is believed from proxies that are named, and from nobody else. The host never is: it is a setting.
        // Which ones is a setting: AppServiceProvider names them, once settings are known.
        $middleware->trustProxies(headers: Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO);
        $middleware->redirectGuestsTo(fn (): string => Hosts::studio().'/studio');
        $middleware->append([AnswerHeaders::class, EachOnItsHost::class, SpeaksToVisitors::class]);
        // What somebody types is kept as typed: a space at the end of a paragraph is a space.
        $middleware->trimStrings(except: [fn (Request $r): bool => $r->is('studio/api/*')]);
        $middleware->convertEmptyStringsToNull(except: [fn (Request $r): bool => true]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('studio/api/*') || $request->is('m/view')
            || $request->expectsJson());
        $exceptions->render(fn (Throwable $e, Request $request) => BusyPage::isWhy($e) ? BusyPage::response($request) : null);
        $exceptions->render(fn (Invalid $e, Request $request) => $request->is('studio/api/*')
            ? response()->json(['message' => $e->getMessage(), 'errors' => [$e->path === '' ? 'it' : $e->path => [$e->getMessage()]]], 422)
            : null);
        // Somebody else's things are not there at all, and no error says what they would have been.
        $exceptions->render(fn (NotFoundHttpException $e, Request $request) => $request->is('studio/api/*') || $request->expectsJson()
            ? response()->json(['message' => 'There is nothing at this address.'], 404)
            : (Hosts::areOfThisMachine($request) ? PlainPage::studioIsElsewhere(Hosts::studio().'/studio')
                : PlainPage::notHere())->response());
        $exceptions->render(fn (AuthenticationException $e, Request $request) => $request->is('studio/api/*')
            ? response()->json(['message' => 'You are signed out. Sign in again, and nothing you typed is lost.'], 401)
            : null);
        $exceptions->render(fn (TooManyRequestsHttpException $e, Request $request) => $request->is('studio/*')
            ? response()->json(['message' => 'Too many tries. Please wait a minute and try again.'], 429)
            : PlainPage::tooMany()->response());
        $exceptions->dontReport(Invalid::class);
    })
    ->create();
