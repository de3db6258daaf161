<?php

declare(strict_types=1);

/**
 * Plays the starter that sells for one person over three weeks with the core alone, as PlayedFunnelTest does it: no database, and a clock
 * that is told. Says how long one such play takes, and how it compares with reading the plan.
 */

use Lantern\Core\People\State\PersonState;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Tests\Core\Journey\CorePlay;
use Tests\Core\Plan\Plans;

require __DIR__.'/../vendor/autoload.php';

$plan = Plans::of(Goal::Sell);
$written = json_encode($plan->toArray(), JSON_THROW_ON_ERROR);
$play = function (Plan $plan): CorePlay {
    $play = new CorePlay($plan, PersonState::unknown(new DateTimeZone('Europe/Oslo'), new DateTimeZone('Europe/Berlin')),
        new DateTimeImmutable('2027-04-14 10:00 UTC'), 19_00);
    $play->tagged('Interested in First Season');
    foreach (range(0, 20) as $day) {
        $play->until(new DateTimeImmutable('2027-04-14 12:00 UTC +'.$day.' days'));
        $day === 1 ? $play->click('The introductory price') : $play->look($day < 5 ? 'introductory' : '');
    }
    $play->open();
    $play->buy('order');
    $play->decline('one-more-thing');
    $play->accept('instead');
    $play->until(new DateTimeImmutable('2027-05-06 UTC'));

    return $play;
};
$milliseconds = function (callable $do): float {
    $do();
    $best = INF;
    for ($i = 0; $i < 5; $i++) {
        $at = hrtime(true);
        $do();
        $best = min($best, (hrtime(true) - $at) / 1e6);
    }

    return $best;
};
$one = $milliseconds(fn () => $play($plan));
$read = $milliseconds(fn () => Plan::fromArray(json_decode($written, true)));
$played = $play($plan);
printf("%d emails, %d pages, %d bought\n", count($played->emails), count($played->pages), count($played->bought));
printf("three weeks of one person: %.1f ms; reading the plan: %.1f ms; ratio %.2f\n", $one, $read, $one / $read);
