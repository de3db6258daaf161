<?php

declare(strict_types=1);

namespace App\Console;

use App\Drafts\DraftPlan;
use App\Drafts\NewFunnel;
use App\Forms\Signup;
use App\Forms\TakeSignup;
use App\Models\Business;
use App\Models\User;
use App\Publishing\Publishing;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Lantern\Core\Forms\Answers;
use Lantern\Core\Plan\Goal;

/** Fills an empty database with a live funnel and people whose welcome email waits, for the tests that kill workers and press hard. */
final class SeedCrashTest extends Command
{
    protected $signature = 'lantern:seed-crash-test {people}';

    protected $description = 'Fill an empty database with people whose welcome email waits (for tests)';

    protected $hidden = true;

    public function handle(NewFunnel $new, Publishing $publishing, TakeSignup $takeSignup): int
    {
        if (User::query()->exists() || app()->isProduction()) {
            $this->error('Only for an empty database that is not in production.');

            return self::FAILURE;
        }
        $business = Business::query()
            ->create(['name' => 'Ferncroft Cello Room', 'sender_name' => 'Imke Farrow', 'sender_address' => 'imke@ferncroft.example',
                'postal_address' => '3 Ferncroft Yard', 'timezone' => 'UTC', 'currency' => 'EUR', 'messages_per_minute' => 100_000]);
        $funnel = $new->fromStarter($business, Goal::WaitingList, 'Crash', 'First Season', null);
        $version = $publishing->publish($funnel, null);
        $plan = DraftPlan::read($funnel);
        for ($i = 1; $i <= (int) $this->argument('people'); $i++) {
            $takeSignup->take(new Signup($funnel->load('business'), $version, $plan->pages[0], $plan->forms[0],
                Answers::read($plan->forms[0], ['email' => "person{$i}@example.com"]), md5((string) $i), CarbonImmutable::now()));
        }

        return self::SUCCESS;
    }
}
