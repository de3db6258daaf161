<?php

declare(strict_types=1);

namespace App\Mail\Owner;

use App\Mail\Sending\Planner;
use App\Models\Business;

/** Looks how much room is left where the data are, and tells owners while there is still some. */
final readonly class DiskWatch
{
    public function __construct(private Planner $planner)
    {
    }

    /** @return int|null megabytes that are left, where they are few */
    public function tick(): ?int
    {
        $database = (string) config('database.connections.'.config('database.default').'.database');
        $folder = is_file($database) ? dirname($database) : storage_path();
        $free = @disk_free_space($folder);
        $megabytes = $free === false ? PHP_INT_MAX : (int) ($free / 1_000_000);
        if ($megabytes >= (int) config('lantern.disk_least_mb')) {
            return null;
        }
        foreach (Business::query()->get() as $business) {
            $this->planner->planDiskNotice($business, $megabytes);
        }

        return $megabytes;
    }
}
