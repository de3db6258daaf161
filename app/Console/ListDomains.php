<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Domain;
use Illuminate\Console\Command;

/** Names domains to whatever gets certificates for them. */
final class ListDomains extends Command
{
    protected $signature = 'lantern:domains {--all : also those that do not lead here}';

    protected $description = 'Name the domains that lead here, one a line';

    public function handle(): int
    {
        $found = Domain::query()->whereNull('removed_at')->orderBy('name')->get();
        foreach ($this->option('all') === true ? $found : $found->filter(fn (Domain $d): bool => $d->state()->canBePrimary()) as $domain) {
            $this->line($domain->name);
        }

        return self::SUCCESS;
    }
}
