<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Success;
use PHPUnit\Framework\TestCase;

/** Every goal is judged by something, and each by its own. */
final class SuccessTest extends TestCase
{
    public function test_a_webinar_wants_registrations_what_sells_wants_sales_and_all_else_sign_ups(): void
    {
        $by = [];
        foreach (Goal::cases() as $goal) {
            $by[Success::of($goal)->value][] = $goal->value;
        }

        self::assertSame(['signups' => ['give-away', 'long-opt-in', 'waiting-list', 'video-series', 'form', 'own'],
            'registrations' => ['webinar'], 'sales' => ['sell', 'launch']], $by);
    }
}
