<?php

declare(strict_types=1);

namespace Tests\Core\Plan;

use Lantern\Core\Events\Trigger\Triggers;
use Lantern\Core\Plan\PartKinds;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\AttendanceOutcome;
use PHPUnit\Framework\TestCase;
use Tests\Core\Rules\RulesTest;
use Tests\WrittenForms;

/** `plan.schema.json` describes all that the core writes: every kind of part, trigger and rule, by the lists of kinds there are. */
final class WrittenPlanTest extends TestCase
{
    public function test_a_plan_with_one_of_everything(): void
    {
        $plan = PartsTest::plan();
        $kinds = array_values(array_unique(array_map(fn ($p): string => $p::class, $plan->parts)));

        self::assertSame(PartKinds::ALL, $kinds, 'a new kind has its example in PartsTest::plan()');
        self::assertSame('', WrittenForms::trouble($plan->toArray(), 'plan'));
    }

    /**
     * @param  list<array<string, mixed>>  $starts
     * @return array<string, mixed>
     */
    private static function planWith(array $starts): array
    {
        $plan = Plans::giveAway()->toArray();
        foreach ($plan['parts'] as $i => $part) {
            $plan['parts'][$i] = $part['kind'] === 'sequence' ? ['starts' => $starts] + $part : $part;
        }

        return $plan;
    }

    public function test_every_kind_of_trigger_with_all_it_needs_and_not_without(): void
    {
        foreach (Triggers::KINDS as $class) {
            $written = ['kind' => $class::kind()] + array_map(fn (string $needs): string|int|bool => match ($needs) {
                'times' => 2,
                'share' => 70,
                'hours' => 3,
                'days' => -2,
                'yearly' => true,
                'outcome' => AttendanceOutcome::Attended->value,
                default => 'x',
            }, $class::fields());
            self::assertSame($written, Triggers::fromShape(Shape::of(['t' => [$written]]), 't')->toArray()[0],
                'it is read and written as that');
            self::assertSame('', WrittenForms::trouble(self::planWith([$written]), 'plan'), $class);
            foreach ($class::fields() as $name => $needs) {
                self::assertSame(in_array($needs, ['times', 'share', 'hours', 'days', 'yearly'], true),
                    WrittenForms::trouble(self::planWith([array_diff_key($written, [$name => 0])]), 'plan')
                    === '', "{$class} without {$name}");
            }
        }
        self::assertNotSame('', WrittenForms::trouble(self::planWith([['kind' => 'moon']]), 'plan'));
    }

    public function test_every_kind_of_rule(): void
    {
        foreach (RulesTest::examples() as $words => [$rule]) {
            $plan = Plans::giveAway()->toArray();
            foreach ($plan['parts'] as $i => $part) {
                $plan['parts'][$i] = $part['kind'] === 'email' ? ['only' => ['all' => true, 'rules' => [$rule]]] + $part : $part;
            }
            self::assertSame('', WrittenForms::trouble($plan, 'plan'), $words);
        }
    }
}
