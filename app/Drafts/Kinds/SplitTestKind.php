<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
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
            throw Invalid::at('goal', 'This split test is running: what it wants and how visitors are shared stay as they are. '
                .'End it, and begin another one.');
        }
    }

    /** @param  array<array-key, mixed>  $typed  `page`: of which page */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $page = Shape::of($typed)->text('page', 40);
        $row = DraftPart::there($funnel->id, PagePlan::kind())->find($page) ?? throw Invalid::at('page', 'This page is not in the funnel.');
        foreach (DraftPart::there($funnel->id, SplitTest::kind())->get() as $other) {
            if ($other->text('page') === $page) {
                throw Invalid::at('page', 'This page has a split test already. Add a variant to it.');
            }
        }

        return new SplitTest(Ids::next(), $row->name, $page, match (PageRole::from($row->text('role'))) {
            PageRole::Sales, PageRole::Checkout, PageRole::Upsell, PageRole::Downsell => TestGoal::Sale,
            default => TestGoal::Signup,
        });
    }

    /** Its variants go with it, and come back with it. */
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

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof SplitTest ? [] : ['page' => $part->page, 'goal' => $part->goal->value, 'on' => $part->on,
            'weight' => $part->weight, 'mostDays' => $part->mostDays, 'byItself' => $part->byItself];
    }
}
