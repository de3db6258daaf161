<?php

declare(strict_types=1);

namespace App\Console;

use App\Deadlines\StrangerCleanup as DeadlineTidying;
use App\Files\Uploads;
use App\Mail\Owner\DiskWatch;
use App\People\Import\Importing;
use App\Popups\VisitCleanup as PopupTidying;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

final class Tidy extends Command
{
    protected $signature = 'lantern:tidy';

    protected $description = 'Remove what nobody will come back to: lists that were only looked at, pictures that were never drawn, and '
        .'their files, deadlines and visits of strangers';

    public function handle(Importing $importing, Uploads $uploads, DeadlineTidying $deadlines, PopupTidying $popups, DiskWatch $disk): int
    {
        $this->line($importing->tidy(CarbonImmutable::now()).' lists removed');
        $this->line($uploads->tidy(CarbonImmutable::now()).' pictures removed');
        $this->line($deadlines->tidy(CarbonImmutable::now()).' deadlines of strangers removed');
        $this->line($popups->tidy(CarbonImmutable::now()).' visits of strangers removed');

        $left = $disk->tick();
        if ($left !== null) {
            $this->warn("Only {$left} MB are left on the disk.");
        }

        return self::SUCCESS;
    }
}
