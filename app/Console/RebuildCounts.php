<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Business;
use App\Results\Counts;
use Illuminate\Console\Command;

final class RebuildCounts extends Command
{
    protected $signature = 'lantern:counts';

    protected $description = 'Make the daily counts anew from the events';

    public function handle(Counts $counts): int
    {
        Business::query()->get()->each(fn (Business $business) => $counts->rebuild($business));
        $this->line('The daily counts are rebuilt.');

        return self::SUCCESS;
    }
}
