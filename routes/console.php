<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

// It sees to it by itself that one at a time is at it, so that one which was killed stops nothing.
Schedule::command('lantern:due')->everyTenSeconds();
Schedule::command('lantern:tidy')->hourly();
Schedule::command('queue:prune-failed --hours=720')->daily();
