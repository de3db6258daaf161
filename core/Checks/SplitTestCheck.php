<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Experiments\Variant;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\PageFacts;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;

/** What is wrong with the split tests that have been started: their variants are looked at as pages are. */
final class SplitTestCheck
{
    /** What a page cannot do without in a test that wants it. */
    private const NEEDED = [['form', BlockKind::Form, 'nobody could join there'],
        ['checkout', BlockKind::Checkout, 'nobody could buy there'],
        ['button', BlockKind::Button, 'nobody could go on from there']];

    /** @return list<Finding> */
    public static function of(Plan $plan, PageFacts $facts): array
    {
        $findings = [];
        foreach ($plan->splitTests as $test) {
            $page = $plan->page($test->page);
            if ($page === null || ! $test->on) {
                continue;
            }
            if (count(array_filter($plan->weightsOf($test))) < 2) {
                $findings[] = new Finding('one-variant', true, "Only one variant would ever be shown of “{$page->name}”. At least two "
                    .'need a share of the visitors.', 'page', $page->id, 'Open the page');
            }
            foreach ($plan->variantsOf($test->id) as $variant) {
                array_push($findings, ...self::variant($plan, $page, $variant, $facts));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function variant(Plan $plan, PagePlan $page, Variant $variant, PageFacts $facts): array
    {
        $name = 'Variant '.strtoupper($variant->letter)." of “{$page->name}”";
        $findings = [];
        if ($variant->document->toArray() === $page->document->toArray()) {
            $findings[] = new Finding('variant-unchanged', true, "{$name} is still the same as the page. Change what you want to test.",
                'variant', $variant->id, 'Open the variant');
        }
        foreach (self::NEEDED as [$what, $kind, $why]) {
            if ($page->document->blocksOf($kind) !== [] && $variant->document->blocksOf($kind) === []
                && ! self::hasOther($variant, $kind)) {
                $findings[] = new Finding("variant-without-{$what}", true, "{$name} has no {$what}: {$why}.", 'variant', $variant->id,
                    'Open the variant');
            }
        }
        $plain = array_map(fn (Finding $f): string => "{$f->code} {$f->place}", PageCheck::of($plan, $page, $facts));
        $as = $page->with($variant->document);
        foreach (PageCheck::of($plan->withPart($as), $as, $facts) as $f) {
            // What the page itself has as well is said of the page.
            if (! in_array("{$f->code} {$f->place}", $plain, true) && $f->open === 'page') {
                $findings[] = new Finding($f->code, $f->blocks, "{$name}: {$f->message}", 'variant', $variant->id, 'Open the variant',
                    $f->place);
            }
        }

        return $findings;
    }

    /** A form leads on as a button does. */
    private static function hasOther(Variant $variant, BlockKind $kind): bool
    {
        return $kind === BlockKind::Button && array_filter($variant->document->blocks(),
            fn (Block $b): bool => in_array($b->kind, [BlockKind::Form, BlockKind::Checkout, BlockKind::Button], true)) !== [];
    }
}
