<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Drafts\CleanDocument;
use App\Drafts\DraftPlan;
use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Support\Ids;
use App\Support\RichText;
use Lantern\Core\Experiments\Content\EmailContent;
use Lantern\Core\Experiments\Content\PopupContent;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Page\Document;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\VariantChanges;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A variant is worked on as what it is a variant of, and begins as a copy of it. */
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
        return ['name', 'weight', 'document', 'subject', 'body', 'frame', 'triggers', 'timings'];
    }

    public function cleaned(Part $part, Business $business): Part
    {
        if (! $part instanceof Variant) {
            return $part;
        }
        $content = $part->content;

        return $content instanceof EmailContent
            ? $part->with(new EmailContent(RichText::line($content->subject), RichText::email($content->body)->html))
            : $part->onDocument(fn (Document $d): Document => DraftPlan::asStored(CleanDocument::of($d->toArray(), $business->id)));
    }

    protected function check(DraftPart $row, Part $part): void
    {
        $was = $row->part();
        if ($part instanceof Variant && $was instanceof Variant && $part->weight !== $was->weight && self::test($row)?->on === true) {
            throw Invalid::at('weight', 'This split test is running: who gets what stays as it is. End it, and begin another one.');
        }
        if ($part instanceof Variant && $part->content->document() === null) {
            self::speaksOfItsFunnel($row, $part, 'variant',
                'Something that this variant speaks of is not in this funnel any more. Please choose again.');
        }
    }

    /** @param  array<array-key, mixed>  $typed  `test`: of which split test; `from`: the variant to copy instead of what there is */
    public function fresh(Funnel $funnel, array $typed): Part
    {
        $plan = DraftPlan::read($funnel);
        $test = $plan->part(Shape::of($typed)->text('test', 40));
        $content = $test instanceof SplitTest ? $plan->contentOf($test) : null;
        if (! $test instanceof SplitTest || $content === null) {
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
        $content = $from instanceof Variant && $from->test === $test->id ? $from->content : $content;

        return (new Variant(Ids::next(), 'Variant '.strtoupper($free[0]), $test->id, $free[0], $content, of: $test->of))
            ->onDocument(DraftPlan::asStored(...));
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
        $plan = DraftPlan::read($row->funnel);
        $stored = $part->onDocument(fn (Document $d): Document => $d->withShared(DraftPlan::sharedSections($row->funnel)));

        return ['test' => $part->test, 'of' => $part->of->value, 'letter' => $part->letter, 'weight' => $part->weight]
            + self::content($row, $part) + ['differs' => $test === null ? [] : VariantChanges::of($plan, $test, $stored)];
    }

    /** @return array<string, mixed> what it has of its own, with what is said of a pop-up in words */
    private static function content(DraftPart $row, Variant $part): array
    {
        $content = $part->content;
        $popup = $content instanceof PopupContent ? DraftPart::there($row->funnel_id, Popup::kind())->find(self::test($row)?->part)?->part()
            : null;
        if (! $content instanceof PopupContent || ! $popup instanceof Popup) {
            return $content->toArray();
        }
        $as = $content->as($popup);

        return $content->toArray() + ['design' => PopupDesigns::nearest($as)->id, 'words' => $as->words()];
    }

    private static function test(DraftPart $row): ?SplitTest
    {
        $test = DraftPart::there($row->funnel_id, SplitTest::kind())->find($row->text('test'))?->part();

        return $test instanceof SplitTest ? $test : null;
    }
}
