<?php

declare(strict_types=1);

/**
 * The forecast of eight weeks by the core alone, with no database: ten thousand made-up visitors of the starter that sells, and of the one
 * that gives something away, and the worlds that are drawn from them. Each is told beside one go-live check of the same funnel.
 */

use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Forecast\Arrivals;
use Lantern\Core\Forecast\Belief;
use Lantern\Core\Forecast\Forecast;
use Lantern\Core\Forecast\MadeUpLife;
use Lantern\Core\Forecast\Rates;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Rehearsal\Stage;
use Lantern\Core\Statistics\Dice;
use Tests\Core\Plan\Plans;

require __DIR__.'/../vendor/autoload.php';

foreach ([Goal::Sell, Goal::GiveAway] as $goal) {
    $plan = Plans::of($goal);
    $zone = new DateTimeZone('Europe/Berlin');
    $begins = new DateTimeImmutable('2027-04-14', $zone);
    $known = [];
    foreach ($plan->pages as $page) {
        $known[Rates::page($page->id)] = new Belief(60, 200, 0.3);
    }
    [$dice, $rates] = [new Dice(7), new Rates($known)];
    $made = new MadeUpLife(new Rehearsal(new Stage($plan, $zone, TaxRate::of(0))), $rates, $dice, $begins, $begins->modify('+8 weeks'));
    $checks = INF;
    for ($i = 0; $i < 5; $i++) {
        $start = hrtime(true);
        GoLiveCheck::of($plan, new PageFacts, $begins);
        $checks = min($checks, hrtime(true) - $start);
    }
    $start = hrtime(true);
    $lives = [];
    for ($i = 0; $i < Forecast::LIVES; $i++) {
        $day = $i % 84 - 28;
        $lives[] = $made->play(new Visitor(zone: 'Europe/Oslo'), $begins->modify("{$day} days")->modify('+12 hours'), '', $day, 0);
    }
    $played = hrtime(true) - $start;
    $start = hrtime(true);
    Forecast::of($lives, [new Arrivals(array_fill(0, 56, 40))], $rates, $dice, Forecast::WEEKS);
    printf("%s: %d lives %.0f go-live checks (%.1f s), worlds %.0f (%.1f s), %d MB at most\n", $goal->value, count($lives),
        $played / $checks,
        $played / 1e9, (hrtime(true) - $start) / $checks, (hrtime(true) - $start) / 1e9, (int) (memory_get_peak_usage() / 1e6));
}
