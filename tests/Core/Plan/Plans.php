<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Sender;
use Lantern\Core\Starters\Starter;
use Lantern\Core\Webinars\WebinarMode;

/** Plans to test with; ids are counted, so that a test can name them. */
final class Plans
{
    public static function sender(): Sender
    {
        return new Sender('Ferncroft Cello Room', 'Imke Farrow', 'imke@ferncroft.example', '3 Ferncroft Yard', 'Europe/Berlin');
    }

    public static function giveAway(?Sender $sender = null, bool $withFile = true, string $title = 'The Twelve-Minute Practice Plan'): Plan
    {
        $leadMagnet = $withFile ? new LeadMagnet('gift', $title, 'file', 'plan.pdf', 'application/pdf', 48_000)
            : new LeadMagnet('gift', $title);

        return self::starter($sender)->build(Goal::GiveAway, 'Practice plan', $title, 'practice-plan', $leadMagnet);
    }

    public static function price(string $typed = '290'): Money
    {
        return Money::typed($typed, Currency::of('EUR'));
    }

    public static function waitingList(): Plan
    {
        return self::starter(null)->build(Goal::WaitingList, 'Autumn list', 'First Season', 'first-season', null);
    }

    public static function of(Goal $goal, string $title = 'First Season', ?string $price = '290',
        WebinarMode $mode = WebinarMode::Live): Plan
    {
        $leadMagnet = $goal->hasLeadMagnet() ? new LeadMagnet('gift', $title, 'file', 'plan.pdf', 'application/pdf', 48_000) : null;

        return self::starter(null)->build($goal, 'Private name', $title, 'first-season', $leadMagnet,
            $price === null ? null : self::price($price), mode: $mode);
    }

    /** @return array<string, Plan> one of each starter, by goal */
    public static function all(): array
    {
        $plans = [];
        foreach (Goal::cases() as $goal) {
            $plans[$goal->value] = self::of($goal);
        }

        return $plans;
    }

    /**
     * A funnel that sells, in which each kind of part is a list of its own, without the introductory price that its starter
     * brings along: its pages, its offer, its deadline and the emails around that.
     *
     * @param  array<string, mixed>  $p
     * @return array<string, mixed>
     */
    public static function atOnePrice(array $p): array
    {
        $gone = array_column(array_filter($p['pages'], fn (array $x): bool => str_ends_with($x['address'], 'introductory')), 'id');
        $p['pages'] = array_values(array_filter($p['pages'], fn (array $x): bool => ! in_array($x['id'], $gone, true)));
        $p['ways'] = array_values(array_filter($p['ways'], fn (array $w): bool => ! in_array($w['page'], $gone, true)));
        $p['offers'] = array_values(array_filter($p['offers'], fn (array $o): bool => $o['name'] !== 'Introductory price'));
        $p['sequences'] = array_values(array_filter($p['sequences'], fn (array $q): bool => $q['name'] !== 'The offer'));
        $kept = array_column($p['sequences'], 'id');
        $p['emails'] = array_values(array_filter($p['emails'], fn (array $e): bool => ($e['timing']['from'] ?? '') !== 'deadline'
            && in_array($e['sequence'] ?? '', $kept, true)));
        $p['deadlines'] = [];

        return $p;
    }

    private const LISTS = ['page' => 'pages', 'form' => 'forms', 'sequence' => 'sequences', 'email' => 'emails',
        'lead-magnet' => 'leadMagnets', 'shared-section' => 'sharedSections', 'product' => 'products', 'offer' => 'offers',
        'coupon' => 'coupons', 'deadline' => 'deadlines', 'popup' => 'popups', 'webinar' => 'webinars',
        'split-test' => 'splitTests', 'variant' => 'variants', 'guide' => 'guides', 'guide-page' => 'guidePages',
        'promise' => 'promises', 'automation' => 'rules'];

    /**
     * A plan with something changed in its written form, in which each kind of part is a list of its own.
     *
     * @param  callable(array<string, mixed>): array<string, mixed>  $change
     */
    public static function changed(callable $change, ?Plan $plan = null): Plan
    {
        return self::ofLists($change(self::lists($plan ?? self::giveAway())));
    }

    /** @return array<string, mixed> the written form with a list for each kind of part */
    public static function lists(Plan $plan): array
    {
        $array = $plan->toArray();
        foreach (self::LISTS as $kind => $list) {
            $array[$list] = array_values(array_map(fn (array $p): array => array_diff_key($p, ['kind' => 0]),
                array_filter($array['parts'], fn (array $p): bool => $p['kind'] === $kind)));
        }

        return array_diff_key($array, ['parts' => 0]);
    }

    /** @param  array<string, mixed>  $lists */
    public static function ofLists(array $lists): Plan
    {
        $parts = [];
        foreach (self::LISTS as $kind => $list) {
            array_push($parts, ...array_map(fn (array $p): array => ['kind' => $kind] + $p, array_values($lists[$list] ?? [])));
        }

        return Plan::fromArray(['parts' => $parts] + array_diff_key($lists, array_flip(self::LISTS)));
    }

    public static function starter(?Sender $sender = null): Starter
    {
        $n = 0;

        return new Starter($sender ?? self::sender(), function () use (&$n): string {
            return 'id'.++$n;
        }, new DateTimeImmutable('2027-01-06 12:00', new DateTimeZone('UTC')));
    }
}
