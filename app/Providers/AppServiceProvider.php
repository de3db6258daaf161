<?php

declare(strict_types=1);

namespace App\Providers;

use App\Mail\Sending\Outbox;
use App\Mail\Sending\Provider;
use App\Mail\Sending\Smtp;
use App\Support\Sqlite\Connector;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', Connector::class);
        $this->app->bind(Provider::class, fn (Application $app): Provider => config('mail.default') === 'smtp'
            ? $app->make(Smtp::class)
            : $app->make(Outbox::class));
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        Model::shouldBeStrict();
        Model::unguard();
        RateLimiter::for('sign-in', fn (Request $request): array => [
            Limit::perMinute(4 * (int) config('lantern.sign_ins_per_minute'))->by('ip:'.$request->ip()),
            Limit::perMinute((int) config('lantern.sign_ins_per_minute'))->by('who:'.mb_strtolower($request->string('email')->toString()).'|'.$request->ip()),
        ]);
        RateLimiter::for('beacon', fn (Request $request): Limit => Limit::perMinute(240)->by((string) $request->ip()));
        RateLimiter::for('new-link', fn (Request $request): Limit => Limit::perMinutes(10, 10)->by((string) $request->ip()));
    }
}
