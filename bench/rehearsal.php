<?php

declare(strict_types=1);

/**
 * Rehearsals by the core alone, with no database: three weeks of one person in the starter that sells, all ways through each starter, and
 * all ways through a funnel with forty emails more. What each takes is told beside one go-live check of the same funnel.
 */

use Lantern\Core\Checks\GoLiveCheck;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\AllWays;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Rehearsal\Stage;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Tests\Core\Plan\Plans;

require __DIR__.'/../vendor/autoload.php';

$start = new DateTimeImmutable('2027-04-14 10:00 UTC');
$visitor = new Visitor(zone: 'Europe/Oslo');
$stage = fn (Plan $plan): Stage => new Stage($plan, new DateTimeZone('Europe/Berlin'), TaxRate::of(0));
$best = function (callable $do, int $times): float {
    $do();
    $best = INF;
    for ($i = 0; $i < $times; $i++) {
        $at = hrtime(true);
        $do();
        $best = min($best, (hrtime(true) - $at) / 1e6);
    }

    return $best;
};
$check = fn (Plan $plan): float => $best(fn () => GoLiveCheck::of($plan, new PageFacts, $start), 5);

$plan = Plans::of(Goal::Sell);
$email = array_values(array_filter($plan->emails, fn (EmailPlan $e): bool => $e->name === 'The introductory price'))[0]->id;
$page = fn (string $address): string => $plan->pageAt($address)->id ?? '';
$choices = [new Choice(ChoiceKind::GetTag, 'Interested in First Season'), new Choice(ChoiceKind::Wait, minutes: 1440),
    new Choice(ChoiceKind::Click, $email)];
for ($day = 2; $day < 21; $day++) {
    array_push($choices, new Choice(ChoiceKind::Wait, minutes: 1440), new Choice(ChoiceKind::Come, $page($day < 5 ? 'introductory' : '')));
}
array_push($choices, new Choice(ChoiceKind::Come, $page('order')), new Choice(ChoiceKind::Buy), new Choice(ChoiceKind::Decline),
    new Choice(ChoiceKind::Accept), new Choice(ChoiceKind::Wait, minutes: 1440));
$play = fn (): Life => (new Rehearsal($stage($plan)))->play($visitor, $start, $choices);
$life = $play();
printf("three weeks: %d choices, %d emails, %d things that happened: %.1f ms, %.2f go-live checks\n", count($choices), count($life->mails),
    count($life->happened), $one = $best($play, 5), $one / $check($plan));

$plans = Plans::all();
$series = Plans::of(Goal::VideoSeries);
$more = array_map(fn (int $i): EmailPlan => new EmailPlan("more{$i}", "Day {$i}", 'x', '<p><a href="{{page_'.$series->pages[1]->id
    .'}}">x</a></p>',
    Delay::days($i, 9), $series->sequences[0]->id), range(1, 40));
$plans['video-series and 40 emails more'] = $series->with([...$series->parts, ...$more]);
foreach ($plans as $goal => $plan) {
    $ways = AllWays::of($stage($plan), $visitor, $start);
    $took = $best(fn () => AllWays::of($stage($plan), $visitor, $start), 1);
    printf("all ways, %s: %d places%s, %d kinds of people: %.0f ms, %.1f go-live checks\n", $goal, $ways->places, $ways->cut ? ' (cut)'
        : '',
        count($ways->kinds), $took, $took / $check($plan));
}
