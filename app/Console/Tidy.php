<?php

declare(strict_types=1);

namespace App\Console;

use App\People\Import\Importing;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;

final class Tidy extends Command
{
    protected $signature = 'lantern:tidy';

    protected $description = 'Remove what nobody will come back to: lists that were only looked at, and their files';

    public function handle(Importing $importing): int
    {
        $this->line($importing->tidy(CarbonImmutable::now()).' lists removed');

        return self::SUCCESS;
    }
}
