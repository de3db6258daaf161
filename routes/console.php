<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

Schedule::command('lantern:due')->everyTenSeconds()->withoutOverlapping(5);
Schedule::command('lantern:tidy')->hourly();
Schedule::command('queue:prune-failed --hours=720')->daily();
