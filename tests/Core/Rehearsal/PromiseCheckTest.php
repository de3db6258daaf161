<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\Duration;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Aspect;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Promise;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\PromiseCheck;
use Lantern\Core\Rehearsal\Record;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A way that was kept is played again: it holds until something of it comes out otherwise, and then it is said what. */
final class PromiseCheckTest extends TestCase
{
    public function test_it_holds_while_nothing_changes_that_it_is_about(): void
    {
        $plan = RehearsalTest::sells();
        $promise = self::promise($plan);
        self::assertSame([], PromiseCheck::of(RehearsalTest::stage($plan), $promise)->broken);
        self::assertNotSame([], $promise->expected);
        // A change of words or of what they never meet breaks nothing.
        $other = self::changed($plan, 'Welcome to buyers', fn (EmailPlan $e): EmailPlan => $e->withTiming(Delay::days(2, 9)));
        self::assertTrue(PromiseCheck::of(RehearsalTest::stage($other), $promise)->holds());
    }

    /** @return iterable<string, array{callable(Plan): Plan, list<string>}> */
    public static function changes(): iterable
    {
        yield 'a shorter deadline' => [fn (Plan $p): Plan => self::lasting($p, Duration::days(2, '20:00')), [
            '“One day left” comes on Thursday 15 April at 20:00 and not on Friday 16 April at 20:00.',
            '“Three hours left” comes on Friday 16 April at 17:00 and not on Saturday 17 April at 17:00.',
            '“The regular price” comes on Saturday 17 April at 09:00 and not on Sunday 18 April at 09:00.',
            '“Introductory price” ends on Friday 16 April at 20:00 and not on Saturday 17 April at 20:00.',
            '“Opens “Sales page, introductory” by its address”, on Saturday 17 April at 18:49: They see “Sales page”. '
                .'It was: they see “Sales page, introductory”.',
        ]];
        yield 'an email more' => [fn (Plan $p): Plan => $p->with([...$p->parts, new EmailPlan('more', 'One more', 'x', '<p>x</p>',
            Delay::days(1, 9),
            self::sequence($p))]), ['“One more” comes as well, on Thursday 15 April at 09:00.']];
        yield 'an email less' => [fn (Plan $p): Plan => $p->with(array_filter($p->parts, fn ($part): bool => $part
            ->name() !== 'One day left')),
            ['“One day left” does not come any more. It came on Friday 16 April at 20:00.']];
        yield 'a page is gone' => [fn (Plan $p): Plan => $p->with(array_filter($p->parts,
            fn ($part): bool => $part->id() !== RehearsalTest::page($p, 'introductory'))), [
                '“Follows the link to “something that is gone” in “The introductory price””, on Wednesday 14 April at 12:10: They are told '
                .'that there is no such page. It was: they see “Sales page, introductory”.']];
    }

    /**
     * @param  callable(Plan): Plan  $change
     * @param  list<string>  $broken  some of what is said
     */
    #[DataProvider('changes')]
    public function test_it_says_what_comes_out_otherwise(callable $change, array $broken): void
    {
        $plan = RehearsalTest::sells();
        $check = PromiseCheck::of(RehearsalTest::stage($change($plan)), self::promise($plan), $plan);
        self::assertFalse($check->holds());
        self::assertSame($broken, array_values(array_intersect($check->broken, $broken)), implode("\n", $check->broken));
    }

    public function test_only_what_it_is_about_must_hold(): void
    {
        $plan = RehearsalTest::sells();
        $shorter = self::lasting($plan, Duration::days(2, '20:00'));
        $check = fn (Aspect ...$about): bool => PromiseCheck::of(RehearsalTest::stage($shorter), self::promise($plan, ...$about))->holds();
        self::assertTrue($check(Aspect::Emails), 'the same emails come, at other times');
        self::assertFalse($check(Aspect::Emails, Aspect::Times));
        self::assertFalse($check(Aspect::Deadlines));
        self::assertFalse($check(Aspect::Pages));
        self::assertTrue($check(Aspect::Tags));
    }

    public function test_what_happens_now_can_be_promised_instead(): void
    {
        $plan = RehearsalTest::sells();
        $stage = RehearsalTest::stage(self::lasting($plan, Duration::days(2, '20:00')));
        $promise = self::promise($plan);
        $renewed = $promise->keeping(...Record::of(PromiseCheck::of($stage, $promise)->life));
        self::assertTrue(PromiseCheck::of($stage, $renewed)->holds());
        self::assertFalse(PromiseCheck::of(RehearsalTest::stage($plan), $renewed)->holds());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $right = ['id' => 'p', 'name' => 'x', 'visitor' => [], 'start' => '2027-04-14T10:00:00Z', 'choices' => [['do' => 'come']]];
        yield 'no name' => [['name' => ' '] + $right, 'name'];
        yield 'nothing is done' => [['choices' => []] + $right, 'choices'];
        yield 'no such thing can be done' => [['choices' => [['do' => 'fly']]] + $right, 'choices.0.do'];
        yield 'no moment' => [['start' => 'tomorrow'] + $right, 'start'];
        yield 'a day that is none' => [['start' => '2027-02-30T10:00:00Z'] + $right, 'start'];
        yield 'a year of old' => [['start' => '1066-10-14T10:00:00Z'] + $right, 'start'];
        yield 'no zone' => [['visitor' => ['zone' => 'Atlantis/Centre']] + $right, 'visitor.zone'];
        yield 'no address' => [['visitor' => ['email' => 'nobody']] + $right, 'visitor.email'];
        yield 'about nothing' => [['about' => []] + $right, 'about'];
        yield 'about something else' => [['about' => ['weather']] + $right, 'about.0'];
        yield 'years of waiting' => [['choices' => [['do' => 'wait', 'minutes' => 10 ** 9]]] + $right, 'choices.0.minutes'];
        yield 'too many choices' => [['choices' => array_fill(0, 201, ['do' => 'come'])] + $right, 'choices'];
    }

    /** @param  array<string, mixed>  $written */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_promised_is_refused(array $written, string $path): void
    {
        try {
            Promise::fromShape(Shape::of($written));
            self::fail('It is refused.');
        } catch (Invalid $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** Clicks, and looks at the page again an hour before the end. */
    private static function promise(Plan $plan, Aspect ...$about): Promise
    {
        $choices = [new Choice(ChoiceKind::GetTag, 'Interested in First Season'), new Choice(ChoiceKind::Wait, minutes: 10),
            RehearsalTest::click($plan, 'The introductory price'), new Choice(ChoiceKind::Wait, minutes: 4_719),
            new Choice(ChoiceKind::Come, RehearsalTest::page($plan, 'introductory')), new Choice(ChoiceKind::Wait, minutes: 10_000)];
        $visitor = new Visitor(zone: 'Europe/Oslo');
        $start = new DateTimeImmutable('2027-04-14 10:00 UTC');
        $life = (new Rehearsal(RehearsalTest::stage($plan)))->play($visitor, $start, $choices);

        return new Promise('p', 'Gets four emails', $visitor, $start, $choices, Record::of($life), $about === [] ? [Aspect::Pages,
            Aspect::Emails, Aspect::Times, Aspect::Deadlines, Aspect::Money] : array_values($about));
    }

    private static function lasting(Plan $plan, Duration $duration): Plan
    {
        $deadline = $plan->deadlines[0];

        return $plan->withPart(Deadline::fromShape(Shape::of(['duration' => $duration->toArray()] + $deadline->toArray())));
    }

    private static function sequence(Plan $plan): string
    {
        foreach ($plan->emails as $email) {
            if ($email->name === 'The introductory price') {
                return $email->sequence;
            }
        }

        return '';
    }

    /** @param  callable(EmailPlan): EmailPlan  $change */
    private static function changed(Plan $plan, string $name, callable $change): Plan
    {
        foreach ($plan->emails as $email) {
            $plan = $email->name === $name ? $plan->withPart($change($email)) : $plan;
        }

        return $plan;
    }
}
