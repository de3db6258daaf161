<?php

declare(strict_types=1);

namespace Tests\Core\Experiments;

use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Experiments\Tested;
use Lantern\Core\Experiments\TestGoal;
use Lantern\Core\Experiments\Variant;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\VariantChanges;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Popups\PopupDesigns;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** What a variant changes of a funnel, and what it leaves as it is. */
final class VariantTest extends TestCase
{
    /** @param  array<string, mixed>  $content */
    private static function plan(Tested $of, string $part, array $content, bool $on = true): Plan
    {
        return Plans::changed(function (array $p) use ($of, $part, $content, $on): array {
            $p['emails'][] = ['id' => 'day-1', 'name' => 'Day one', 'subject' => 'The first day', 'sequence' => $p['sequences'][0]['id'],
                'body' => '<p>Begin</p>', 'timing' => ['from' => 'joining', 'days' => 1, 'hour' => 9]];
            $p['popups'][] = self::popup()->toArray();
            $p['splitTests'][] = ['id' => 'test', 'name' => 'A test', 'part' => $part === '' ? $p['sequences'][0]['id'] : $part,
                'of' => $of->value, 'on' => $on];
            $p['variants'][] = ['id' => 'variant', 'name' => 'Otherwise', 'test' => 'test', 'letter' => 'b', 'of' => $of->value] + $content;

            return $p;
        });
    }

    private static function popup(): Popup
    {
        $number = 0;

        return PopupDesigns::fresh('popup', 'Before you go', PopupDesigns::get('popup-card'), function () use (&$number): string {
            return 'p'.++$number;
        }, []);
    }

    /** @return iterable<string, array{Tested, string, array<string, mixed>, list<string>, list<string>}> what differs; ids of what changes */
    public static function variants(): iterable
    {
        $popup = self::popup()->toArray();
        $copy = ['document' => $popup['document'], 'frame' => $popup['frame'], 'triggers' => $popup['triggers']];
        yield 'another subject' => [Tested::Email, 'day-1', ['subject' => 'Twelve minutes', 'body' => '<p>Begin</p>'],
            ['Its subject is “Twelve minutes” instead of “The first day”.'], ['day-1']];
        yield 'another text' => [Tested::Email, 'day-1', ['subject' => 'The first day', 'body' => '<p>Go</p>'],
            ['Its text is different.'], ['day-1']];
        yield 'the same words' => [Tested::Email, 'day-1', ['subject' => 'The first day', 'body' => '<p>Begin</p>'], [], []];
        yield 'an email that is gone' => [Tested::Email, 'gone', ['subject' => 'x', 'body' => 'y'], [], []];
        yield 'another day' => [Tested::Timing, '', ['timings' => [['email' => 'day-1', 'timing' => ['from' => 'joining', 'days' => 3,
            'hour' => 18]]]], ['“Day one” goes out day 3 at 18:00 instead of day 1 at 09:00.'], ['day-1']];
        yield 'the same day' => [Tested::Timing, '', ['timings' => [['email' => 'day-1', 'timing' => ['from' => 'joining', 'days' => 1,
            'hour' => 9]]]], [], []];
        yield 'no day at all' => [Tested::Timing, '', [], [], []];
        yield 'a day for an email that is gone' => [Tested::Timing, '', ['timings' => [['email' => 'gone', 'timing' => [
            'from' => 'joining', 'days' => 3]]]], [], []];
        yield 'other triggers' => [Tested::Popup, 'popup', ['triggers' => [['kind' => 'seconds', 'amount' => 30]]] + $copy,
            ['Shown to whoever has looked at the page for 30 seconds.'], ['popup']];
        yield 'another frame' => [Tested::Popup, 'popup', ['frame' => ['placement' => 'bottom', 'ms' => 300]] + $copy,
            ['It has another design.'], ['popup']];
        yield 'other steps than the pop-up' => [Tested::Popup, 'popup', ['document' => ['sections' => []] + $popup['document']] + $copy,
            [], []];
        yield 'placed, where the pop-up is not' => [Tested::Popup, 'popup', ['frame' => ['placement' => 'placed', 'ms' => 300]] + $copy,
            [], []];
    }

    /**
     * @param  array<string, mixed>  $content
     * @param  list<string>  $differs
     * @param  list<string>  $changed
     */
    #[DataProvider('variants')]
    public function test_it_changes_its_own_part_and_nothing_else(Tested $of, string $part, array $content, array $differs,
        array $changed): void
    {
        $plan = self::plan($of, $part, $content);
        $test = $plan->splitTests[0];
        self::assertSame($differs, array_map(fn (string $s): string => (string) preg_replace('/ \(.*/', '', $s),
            VariantChanges::of($plan, $test, $plan->variants[0])));
        $as = $plan->as($test->part, 'b');
        $ids = array_map(fn (Part $p): string => $p->id(), array_filter($as->parts,
            fn (Part $p): bool => $p->toArray() !== $plan->part($p->id())?->toArray()));
        self::assertSame($changed, array_values($ids));
        self::assertSame($changed === [], $plan->shownAs($test, 'b') === $plan->shownAs($test, 'a'));
        self::assertSame($plan->toArray(), $plan->as($test->part, 'a')->toArray());
        self::assertSame($plan->toArray(), $plan->as($test->part, 'c')->toArray(), 'there is no such variant');
        $off = self::plan($of, $part, $content, false);
        self::assertSame($off->toArray(), $off->as($test->part, 'b')->toArray(), 'one that was not started is seen by nobody');
        // Once it has ended, all have what it ended with, and the test is gone.
        foreach (['a' => $plan, 'b' => $as] as $letter => $won) {
            self::assertSame($won->withoutTests(['test'])->toArray(), $plan->settled(['test' => $letter])->toArray());
        }
        self::assertSame($plan->toArray(), $plan->settled(['another' => 'b'])->toArray());
    }

    public function test_a_copy_of_a_part_is_the_same_as_the_part(): void
    {
        foreach (Tested::cases() as $of) {
            $plan = self::plan(Tested::Email, 'day-1', ['subject' => 'x', 'body' => 'y'], false);
            $parts = ['page' => $plan->pages[0]->id, 'email' => 'day-1', 'popup' => 'popup', 'timing' => $plan->sequences[0]->id];
            $part = $parts[$of->value];
            $test = new SplitTest('t', 'A test', $part, $of, $of->goals()[0], true);
            $copy = $plan->contentOf($test);
            self::assertNotNull($copy);
            $with = $plan->with([...$plan->parts, $test, new Variant('v', 'Copy', 't', 'b', $copy, of: $of)]);
            self::assertSame($with->shownAs($test, 'a'), $with->shownAs($test, 'b'), $of->label());
            self::assertSame([], VariantChanges::of($with, $test, $with->variants[1]));
            $kinds = ['page' => $plan->pages[0]::kind(), 'email' => EmailPlan::kind(), 'popup' => Popup::kind(),
                'timing' => SequencePlan::kind()];
            self::assertSame($kinds[$of->value], $of->partKind());
            // Of a part of another kind there is no copy, and nothing is shown of it.
            self::assertNull($plan->contentOf(new SplitTest('t', 'A test', $plan->forms[0]->id, $of)));
            self::assertSame([], $of->content()::shown('gone', $plan->parts));
        }
    }

    /** @return iterable<string, array{Tested, list<TestGoal>}> what each may not want */
    public static function goals(): iterable
    {
        yield 'a page' => [Tested::Page, [TestGoal::Click, TestGoal::Open]];
        yield 'an email' => [Tested::Email, [TestGoal::Signup, TestGoal::Confirmation]];
        yield 'a pop-up' => [Tested::Popup, [TestGoal::Open]];
        yield 'a timing' => [Tested::Timing, [TestGoal::Signup, TestGoal::Confirmation, TestGoal::Open]];
    }

    /** @param  list<TestGoal>  $refused */
    #[DataProvider('goals')]
    public function test_it_wants_what_its_part_can_bring(Tested $of, array $refused): void
    {
        foreach (TestGoal::cases() as $goal) {
            $written = ['id' => 't', 'name' => 'A test', 'part' => 'x', 'of' => $of->value, 'goal' => $goal->value];
            $usual = $of->usual($goal);
            self::assertTrue($usual > 0.0 && $usual < 1.0);
            if (in_array($goal, $refused, true)) {
                try {
                    SplitTest::fromShape(Shape::of($written));
                    self::fail("{$goal->value} of {$of->label()}");
                } catch (Invalid $e) {
                    self::assertSame("A split test of {$of->label()} cannot want that.", $e->getMessage());
                }
            } else {
                self::assertSame($goal, SplitTest::fromShape(Shape::of($written))->goal);
            }
        }
        self::assertSame($of->goals()[0], SplitTest::fromShape(Shape::of(['id' => 't', 'name' => 'A test', 'part' => 'x',
            'of' => $of->value]))->goal);
    }

    public function test_one_that_was_written_when_there_were_tests_of_pages_alone_is_read(): void
    {
        $read = SplitTest::fromShape(Shape::of(['id' => 't', 'name' => 'A test', 'page' => 'page-1']));
        self::assertSame(['page-1', Tested::Page], [$read->part, $read->of]);
        $this->expectException(Invalid::class);
        SplitTest::fromShape(Shape::of(['id' => 't', 'name' => 'A test']));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrong(): iterable
    {
        $common = ['id' => 'v', 'name' => 'B', 'test' => 't', 'letter' => 'b'];
        yield 'a page without a document' => [$common];
        yield 'an email without a body' => [$common + ['of' => 'email', 'subject' => 'x']];
        yield 'a subject that is a list' => [$common + ['of' => 'email', 'subject' => ['x'], 'body' => 'y']];
        yield 'a subject without an end' => [$common + ['of' => 'email', 'subject' => str_repeat('x', 201), 'body' => 'y']];
        yield 'a moment before joining' => [$common + ['of' => 'timing', 'timings' => [['email' => 'e', 'timing' => ['from' => 'joining',
            'days' => -1]]]]];
        yield 'a moment told from nothing' => [$common + ['of' => 'timing', 'timings' => [['email' => 'e', 'timing' => ['from' => 'x']]]]];
        yield 'moments that are none' => [$common + ['of' => 'timing', 'timings' => 'x']];
        yield 'a moment of no email' => [$common + ['of' => 'timing', 'timings' => [['timing' => ['from' => 'joining']]]]];
        yield 'of something else' => [$common + ['of' => 'form']];
        yield 'the letter of what there was' => [['letter' => 'a', 'of' => 'timing'] + $common];
        yield 'a pop-up that is opened by nothing there is' => [$common + ['of' => 'popup', 'document' => self::popup()->document
            ->toArray(), 'triggers' => [['kind' => 'thinking']]]];
    }

    /** @param  array<string, mixed>  $written */
    #[DataProvider('wrong')]
    public function test_what_is_none_is_refused(array $written): void
    {
        $this->expectException(Invalid::class);
        Variant::fromShape(Shape::of($written));
    }
}
