<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Business;
use App\Results\Counts;
use Illuminate\Console\Command;

final class RebuildCounts extends Command
{
    protected $signature = 'lantern:counts {--check : only say whether they are what the facts say}';

    protected $description = 'Make the daily counts anew from the events and the money of orders';

    public function handle(Counts $counts): int
    {
        if ($this->option('check')) {
            $differ = Business::query()->get()->sum(fn (Business $business): int => $counts->differences($business));
            if ($differ > 0) {
                $this->error("{$differ} counts are not what the facts say. Make them anew with lantern:counts,
                    and look for what spoiled them.");

                return self::FAILURE;
            }
            $this->line('The counts are what the facts say.');

            return self::SUCCESS;
        }
        Business::query()->get()->each(fn (Business $business) => $counts->rebuild($business));
        $this->line('The daily counts are rebuilt.');

        return self::SUCCESS;
    }
}
