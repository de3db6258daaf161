<?php

declare(strict_types=1);

namespace Tests\Core\Journey;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Forms\SubmissionState;
use Lantern\Core\Journey\AfterForm;
use Lantern\Core\Journey\Onward;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Plan\Way;
use Lantern\Core\Popups\Popup;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** Where somebody goes who has filled in a form. */
final class AfterFormTest extends TestCase
{
    /** @param  array<string, string>|null  $after  what a pop-up leads to; null for a form on the page */
    private static function plan(bool $double = false, ?string $elsewhere = null, ?array $after = null): Plan
    {
        $plan = Plans::giveAway();
        $entry = $plan->pages[0]->id;
        $parts = array_map(fn (Part $part): Part => match (true) {
            $part instanceof FormPlan => FormPlan::fromShape(Shape::of(['doubleOptIn' => $double] + $part->toArray())),
            $part instanceof Popup && $after !== null => self::leading($part, $after),
            default => $part,
        }, $plan->parts);
        $ways = $elsewhere === null ? $plan->ways : [Way::outside($entry, Outcome::Joined, $elsewhere)];

        return $plan->with($parts, $ways);
    }

    /** @param  array<string, string>  $after */
    private static function leading(Popup $popup, array $after): Popup
    {
        $written = $popup->toArray();
        // Where it leads somewhere it has no words of thanks.
        if ($after['kind'] !== 'thanks') {
            array_pop($written['document']['sections']);
        }

        return Popup::fromShape(Shape::of(['after' => $after] + $written));
    }

    /** @return iterable<string, array{string, Plan, SubmissionState, 3?: bool}> */
    public static function forms(): iterable
    {
        [$taken, $waiting] = [SubmissionState::Taken, SubmissionState::Waiting];
        $to = fn (string $kind, string $to = ''): array => ['kind' => $kind] + ($to === '' ? [] : ['to' => $to]);
        $thanks = Plans::giveAway()->pageOf(PageRole::ThankYou)->id ?? '';
        yield 'joined' => ['page thank-you', self::plan(), $taken];
        yield 'asked, by a form that asks everybody' => ['inbox', self::plan(true), $waiting];
        yield 'asked since they had left: nobody can tell' => ['page thank-you', self::plan(), $waiting];
        yield 'confirmed since' => ['page thank-you', self::plan(true), $taken];
        yield 'to an address elsewhere' => ['https://example.com/a', self::plan(false, 'https://example.com/a'), $taken];
        yield 'by a pop-up with words of thanks' => ['page thank-you', self::plan(after: $to('thanks')), $taken, true];
        yield 'by a pop-up that leads to an address' => ['https://example.com/b', self::plan(true, null, $to('address',
            'https://example.com/b')), $waiting, true];
        yield 'by a pop-up that leads to a page' => ['page thank-you', self::plan(false, 'https://example.com/a', $to('page', $thanks)),
            $taken, true];
        yield 'by a pop-up whose page is gone' => ['https://example.com/a', self::plan(false, 'https://example.com/a', $to('page',
            'gone')), $taken, true];
        yield 'by a pop-up, and still to be confirmed' => ['inbox', self::plan(true, null, $to('page', $thanks)), $waiting, true];
    }

    #[DataProvider('forms')]
    public function test_where_they_go(string $expected, Plan $plan, SubmissionState $state, bool $popup = false): void
    {
        self::assertSame($expected, self::words(AfterForm::of($plan, $plan->pages[0]->id, $plan->forms[0]->id, $state,
            $popup ? $plan->popups[0]->id : null), $plan));
    }

    public function test_a_page_from_which_joining_leads_nowhere(): void
    {
        $plan = self::plan();
        $page = $plan->pageOf(PageRole::ThankYou)->id ?? '';
        $of = fn (?string $popup): string => self::words(AfterForm::of($plan, $page, $plan->forms[0]->id, SubmissionState::Taken, $popup),
            $plan);

        self::assertSame('the entry page', $of(null));
        self::assertSame('page thank-you', $of($plan->popups[0]->id), 'a pop-up over it leads where the form’s own page leads');
    }

    public function test_the_page_on_which_a_form_stands(): void
    {
        $plan = Plans::giveAway();
        $moved = $plan->with([...array_reverse($plan->parts)]);

        self::assertSame($plan->pages[0]->id, AfterForm::pageOf($moved, $plan->forms[0]->id)?->id);
        self::assertSame($moved->entry()?->id, AfterForm::pageOf($moved, 'gone')?->id);
    }

    public function test_confirming_leads_where_joining_does_unless_it_leads_elsewhere(): void
    {
        $plan = self::plan();
        $entry = $plan->pages[0]->id;
        $other = $plan->with($plan->parts, [...$plan->ways, Way::outside($entry, Outcome::Confirmed, 'https://example.com/c')]);

        self::assertSame(['page thank-you', 'https://example.com/c'], [self::words(AfterForm::confirmed($plan, $entry), $plan),
            self::words(AfterForm::confirmed($other, $entry), $other)]);
    }

    private static function words(Onward $onward, Plan $plan): string
    {
        return match (true) {
            $onward->waits => 'inbox',
            $onward->url !== null => $onward->url,
            $onward->page === null => 'the entry page',
            default => 'page '.$plan->page($onward->page)?->role->value,
        };
    }
}
