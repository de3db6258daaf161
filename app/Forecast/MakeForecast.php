<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Models\Funnel;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Makes the forecast of a funnel, which takes some seconds. */
final class MakeForecast implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 80;

    public function __construct(public readonly string $funnel)
    {
        $this->onQueue('outside');
    }

    public function handle(Forecasting $forecasting): void
    {
        $funnel = Funnel::query()->with(['liveVersion', 'business'])->find($this->funnel);
        if ($funnel !== null) {
            $forecasting->make($funnel);
        }
    }

    public function failed(?Throwable $e): void
    {
        app(Forecasting::class)->failed($this->funnel);
    }
}
