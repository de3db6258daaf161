<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\UsualGoal;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

final class SplitTestKind extends DraftKind
{
    public function part(): string
    {
        return SplitTest::class;
    }

    public function list(): string
    {
        return 'splitTests';
    }

    public function opens(): bool
    {
        return false;
    }

    /** Whether it is on is not typed: it starts and ends in public, see {@see \App\Experiments\RunningTests}. */
    public function typed(): array
    {
        return ['name', 'goal', 'weight', 'mostDays', 'byItself'];
    }

    protected function check(DraftPart $row, Part $part): void
    {
        $was = $row->part();
        if ($part instanceof SplitTest && $was instanceof SplitTest && $was->on
            && [$part->goal, $part->weight] !== [$was->goal, $was->weight]) {
            throw Invalid::at('goal', 'This split test is running: what it wants and who gets what stay as they are. '
                .'End it, and begin another one.');
        }
    }

    /** @param  array<array-key, mixed>  $typed  `of`: what it is of, and `part`: which */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $shape = Shape::of($typed);
        $of = $shape->choice('of', Tested::class, Tested::Page->value);
        $id = $shape->text('part', 40);
        $row = DraftPart::there($funnel->id, $of->partKind())->find($id)
            ?? throw Invalid::at('part', "This {$of->name()} is not in the funnel.");
        if (self::testsOf($row) !== []) {
            throw Invalid::at('part', "This {$of->name()} has a split test already. Add a variant to it.");
        }

        return new SplitTest(Ids::next(), $row->name, $id, $of, UsualGoal::of($of, $row->part()));
    }

    public function remove(DraftPart $row): array
    {
        parent::remove($row);
        $part = $row->part();
        if ($part instanceof SplitTest && $part->on) {
            throw Invalid::at('test', 'This split test is running. End it first.');
        }
        foreach (DraftPart::there($row->funnel_id, Variant::kind())->get() as $variant) {
            if ($variant->text('test') === $row->id) {
                throw Invalid::at('test', 'It has a variant still. Remove that first.');
            }
        }

        return [];
    }

    /** @return list<string> what becomes of the split tests of a part that is removed: they go with it, and come back with it */
    public static function removeOf(DraftPart $row): array
    {
        $tests = array_map(fn (DraftPart $t): string => $t->id, self::testsOf($row));
        $parts = DraftPart::there($row->funnel_id)->whereIn('kind', [SplitTest::kind(), Variant::kind()])->get()
            ->filter(fn (DraftPart $p): bool => in_array($p->id, $tests, true) || in_array($p->text('test'), $tests, true));
        foreach ($parts as $part) {
            $part->forceFill(['removed' => ['at' => Instant::json(CarbonImmutable::now()), 'with' => $row->id]])->save();
        }

        return $tests === [] ? [] : ['Its split test goes with it.'];
    }

    public static function restoreOf(DraftPart $row): void
    {
        DraftPart::query()->where('funnel_id', $row->funnel_id)->where('removed->with', $row->id)->update(['removed' => null]);
    }

    /** @return list<DraftPart> those of a part */
    private static function testsOf(DraftPart $row): array
    {
        return array_values(DraftPart::there($row->funnel_id, SplitTest::kind())->get()->filter(function (DraftPart $t) use ($row): bool {
            $test = $t->part();

            return $test instanceof SplitTest && $test->part === $row->id;
        })->all());
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof SplitTest ? [] : ['of' => $part->of->value, 'part' => $part->part, 'goal' => $part->goal->value,
            'goals' => array_map(fn (TestGoal $g): array => ['value' => $g->value, 'label' => $g->label()], $part->of->goals()),
            'who' => $part->of->who(), 'usual' => $part->of->usual($part->goal), 'on' => $part->on,
            'weight' => $part->weight, 'mostDays' => $part->mostDays,
            'byItself' => $part->byItself];
    }
}
