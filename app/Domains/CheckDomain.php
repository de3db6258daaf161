<?php

declare(strict_types=1);

namespace App\Domains;

use App\Models\Domain;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Looks at one domain. Safe to do twice. */
final class CheckDomain implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 40;

    public function __construct(public readonly string $domain)
    {
        $this->onQueue('outside');
    }

    public function handle(LookAtDomain $looks): void
    {
        $domain = Domain::query()->whereNull('removed_at')->find($this->domain);
        if ($domain !== null) {
            $looks->look($domain, CarbonImmutable::now());
        }
    }
}
