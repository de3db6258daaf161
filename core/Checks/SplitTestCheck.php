<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Closure;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Experiments\Content\PopupContent;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Sequences\EmailPlan;

/** What is wrong with the split tests that have been started: their variants are looked at as what they are variants of is. */
final readonly class SplitTestCheck
{
    /** What a document cannot do without in a test that wants it. */
    private const NEEDED = [['form', BlockKind::Form, 'nobody could join there'],
        ['checkout', BlockKind::Checkout, 'nobody could buy there'],
        ['button', BlockKind::Button, 'nobody could go on from there']];

    /** @param  Closure(Plan): list<Finding>  $whole */
    private function __construct(private Plan $plan, private Closure $whole)
    {
    }

    /**
     * @param  Closure(Plan): list<Finding>  $whole  what is found in a whole funnel
     * @return list<Finding>
     */
    public static function of(Plan $plan, Closure $whole): array
    {
        $check = new self($plan, $whole);
        $findings = [];
        foreach ($plan->splitTests as $test) {
            if ($test->on && $plan->contentOf($test) !== null) {
                array_push($findings, ...$check->test($test));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function test(SplitTest $test): array
    {
        $findings = [];
        $name = $this->plan->nameOf($test->part);
        $open = fn (string $code, string $message): Finding => new Finding($code, true, $message, $test->of->partKind(), $test->part,
            "Open the {$test->of->name()}");
        if (count(array_filter($this->plan->weightsOf($test))) < 2) {
            $findings[] = $open('one-variant', "Only one variant would ever be seen of “{$name}”. At least two need a share of the "
                ."{$test->of->who()}.");
        }
        if ($this->plan->popup($test->part)?->on === false) {
            $findings[] = $open('popup-off', "“{$name}” is in a split test and switched off: nobody would see any of its variants.");
        }
        $email = $this->plan->email($test->part);
        if ($test->goal === TestGoal::Click && $email !== null && EmailBody::links($email->body) === []) {
            $findings[] = $open('nothing-to-click', "“{$name}” is tested for clicks and has no link: nobody could ever click.");
        }
        $plain = array_map(self::key(...), $this->around($test, $this->plan));
        foreach ($this->plan->variantsOf($test->id) as $variant) {
            array_push($findings, ...$this->variant($test, $variant, $plain));
        }

        return $findings;
    }

    /**
     * @param  list<string>  $plain  what is found in what there was before as well is said of that
     * @return list<Finding>
     */
    private function variant(SplitTest $test, Variant $variant, array $plain): array
    {
        $name = 'Variant '.strtoupper($variant->letter)." of “{$this->plan->nameOf($test->part)}”";
        $find = fn (string $code, string $message, bool $blocks = true, string $place = ''): Finding => new Finding($code, $blocks,
            $message, 'variant', $variant->id, 'Open the variant', $place);
        $as = $this->plan->as($test->part, $variant->letter);
        $popup = $this->plan->popup($test->part);
        if ($variant->content instanceof PopupContent && $popup !== null && ! $variant->content->fits($popup)) {
            return [$find('variant-steps', "{$name} has not the steps that the pop-up has by now. Remove it, and copy the pop-up again.")];
        }
        $findings = [];
        if ($this->plan->shownAs($test, $variant->letter) === $this->plan->shownAs($test, SplitTest::ORIGINAL)) {
            $same = $test->of === Tested::Timing ? 'changes no moment yet' : "is still the same as the {$test->of->name()}";
            $findings[] = $find('variant-unchanged', "{$name} {$same}. Change what you want to test.");
        }
        foreach ($this->lacking($test, $variant) as [$what, $why]) {
            $findings[] = $find("variant-without-{$what}", "{$name} has no {$what}: {$why}.");
        }
        foreach ($this->around($test, $as) as $f) {
            if (! in_array(self::key($f), $plain, true)) {
                $findings[] = $find($f->code, "{$name}: {$f->message}", $f->blocks, $f->place);
            }
        }

        return $findings;
    }

    /**
     * What is found in a plan of the part, or of the emails of the sequence, that a test is of.
     *
     * @return list<Finding>
     */
    private function around(SplitTest $test, Plan $plan): array
    {
        $ids = [$test->part, ...$test->of === Tested::Timing
            ? array_map(fn (EmailPlan $e): string => $e->id, $plan->emailsOf($test->part)) : []];
        $without = $plan->withoutTests(array_map(fn (SplitTest $t): string => $t->id, $plan->splitTests));

        return array_values(array_filter(($this->whole)($without),
            fn (Finding $f): bool => in_array($f->id, $ids, true)));
    }

    private static function key(Finding $f): string
    {
        return "{$f->code} {$f->id} {$f->place}";
    }

    /** @return list<array{string, string}> what there was before and the variant has no more, and why it needs that */
    private function lacking(SplitTest $test, Variant $variant): array
    {
        $email = $this->plan->email($test->part);
        if ($email !== null) {
            $as = $this->plan->as($test->part, $variant->letter)->email($test->part) ?? $email;

            return [...EmailBody::links($email->body) !== [] && EmailBody::links($as->body) === []
                ? [['link', 'nobody could go on from there']] : [],
                ...$email->linksToLeadMagnet() && ! $as->linksToLeadMagnet()
                    ? [['file', 'what was promised would not be handed over']] : []];
        }
        $before = $this->plan->page($test->part)->document ?? $this->plan->popup($test->part)?->document;
        $document = $variant->content->document();
        if ($before === null || $document === null) {
            return [];
        }
        $lacking = [];
        foreach (self::NEEDED as [$what, $kind, $why]) {
            if ($before->blocksOf($kind) !== [] && $document->blocksOf($kind) === [] && ! self::hasOther($document, $kind)) {
                $lacking[] = [$what, $why];
            }
        }

        return $lacking;
    }

    /** A form leads on as a button does. */
    private static function hasOther(Document $document, BlockKind $kind): bool
    {
        return $kind === BlockKind::Button && array_filter($document->blocks(),
            fn (Block $b): bool => in_array($b->kind, [BlockKind::Form, BlockKind::Checkout, BlockKind::Button], true)) !== [];
    }
}
