<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Option;
use Lantern\Core\Rehearsal\Presses;
use Lantern\Core\Rehearsal\Rehearsal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** What is offered in words beside a page of a rehearsal can be pressed on the page itself, and the other way round. */
final class PressesTest extends TestCase
{
    /** @return iterable<string, array{Goal}> */
    public static function goals(): iterable
    {
        foreach (Goal::cases() as $goal) {
            yield $goal->value => [$goal];
        }
    }

    #[DataProvider('goals')]
    public function test_all_that_is_offered_on_a_page_has_its_place_there(Goal $goal): void
    {
        $plan = $goal === Goal::Sell ? RehearsalTest::sells() : Plans::of($goal);
        $rehearsal = new Rehearsal(RehearsalTest::stage($plan));
        $key = fn (Choice $c): string => "{$c->kind->value} {$c->of} {$c->to}";
        $pages = 0;
        foreach ($plan->pages as $page) {
            $life = $rehearsal->begin(new Visitor, new DateTimeImmutable('2027-04-14 10:00 UTC'));
            $rehearsal->choose($life, new Choice(ChoiceKind::Come, $page->id));
            $shown = $plan->page($life->page);
            if ($shown === null) {
                continue;
            }
            $pages++;
            $presses = array_merge(...array_values(Presses::of($plan, $shown, $life->browser()->extra)));
            $pressed = array_map($key, array_values(array_filter($presses,
                fn (?Choice $c): bool => $c !== null)));
            $offered = array_map(fn (Option $o): string => $key($o->choice), array_values(array_filter($rehearsal->options($life),
                fn (Option $o): bool => $o->group === 'page' && ! in_array($o->choice->kind, [ChoiceKind::CardRefused, ChoiceKind::Read],
                    true))));
            // Who comes to an extra offer without an order can say no to nothing but the page.
            self::assertSame([], array_diff($offered, [...$pressed, 'decline  ']), "{$shown->name}: ".implode(', ', $pressed));
            // What is pressed and not offered leads nowhere yet: an outcome without a way, a file that was not given.
            foreach (array_diff($pressed, $offered) as $nowhere) {
                self::assertMatchesRegularExpression('/^(press {2}outcome:|download |accept|decline|buy)/', $nowhere);
            }
        }
        self::assertGreaterThan($goal === Goal::Own ? -1 : 0, $pages);
    }

    public function test_a_link_that_leads_elsewhere_is_no_choice(): void
    {
        $plan = Plans::of(Goal::Sell);
        $elsewhere = array_filter(array_map(fn ($page): array => Presses::of($plan, $page, false), $plan->pages),
            fn (array $presses): bool => in_array([null], $presses, true));
        foreach ($elsewhere as $presses) {
            self::assertNotSame([], $presses);
        }
        self::assertSame([], Presses::of($plan, $plan->pages[0]->with($plan->pages[0]->document->with([])), false));
    }
}
