<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PageChanges;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A variant is worked on as its page is, and begins as a copy of it. */
final class VariantKind extends DraftKind
{
    public function part(): string
    {
        return Variant::class;
    }

    public function list(): string
    {
        return 'variants';
    }

    public function typed(): array
    {
        return ['name', 'document', 'weight'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        return $part instanceof Variant
            ? $part->with(DraftPlan::asStored(CleanDocument::of($part->document->toArray(), $business->id))) : $part;
    }

    protected function check(DraftPart $row, Part $part): void
    {
        $was = $row->part();
        if ($part instanceof Variant && $was instanceof Variant && $part->weight !== $was->weight && self::test($row)?->on === true) {
            throw Invalid::at('weight', 'This split test is running: how visitors are shared stays as it is. End it, and begin another '
                .'one.');
        }
    }

    /** @param  array<array-key, mixed>  $typed  `test`: of which split test; `from`: the variant to copy instead of the page */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $plan = DraftPlan::read($funnel);
        $test = $plan->part(Shape::of($typed)->text('test', 40));
        $page = $test instanceof SplitTest ? $plan->page($test->page) : null;
        if (! $test instanceof SplitTest || $page === null) {
            throw Invalid::at('test', 'This split test is not there any more.');
        }
        if ($test->on) {
            throw Invalid::at('test', 'This split test is running. End it, and begin another one with more variants.');
        }
        $taken = array_map(fn (Variant $v): string => $v->letter, $plan->variantsOf($test->id));
        $free = array_values(array_diff(SplitTest::LETTERS, $taken, [SplitTest::ORIGINAL]));
        if ($free === []) {
            throw Invalid::at('test', 'A split test has '.count(SplitTest::LETTERS).' variants at most.');
        }
        $from = $plan->part(is_string($typed['from'] ?? null) ? $typed['from'] : '');
        $document = $from instanceof Variant && $from->test === $test->id ? $from->document : $page->document;

        return new Variant(Ids::next(), 'Variant '.strtoupper($free[0]), $test->id, $free[0], DraftPlan::asStored($document));
    }

    public function remove(DraftPart $row): array
    {
        parent::remove($row);
        if (self::test($row)?->on === true) {
            throw Invalid::at('test', 'This split test is running. End it first.');
        }

        return [];
    }

    public function json(DraftPart $row, Part $part): array
    {
        if (! $part instanceof Variant) {
            return [];
        }
        $test = self::test($row);
        $original = $test === null ? null : DraftPart::there($row->funnel_id, PagePlan::kind())->find($test->page)?->part();

        return ['test' => $part->test, 'letter' => $part->letter, 'weight' => $part->weight, 'document' => $part->document->toArray(),
            'differs' => $original instanceof PagePlan ? PageChanges::between($original, $original->with($part->document)) : []];
    }

    private static function test(DraftPart $row): ?SplitTest
    {
        $test = DraftPart::there($row->funnel_id, SplitTest::kind())->find($row->text('test'))?->part();

        return $test instanceof SplitTest ? $test : null;
    }
}
