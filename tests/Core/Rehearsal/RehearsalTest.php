<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Money\TaxRate;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\DoneDeed;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\Following;
use Lantern\Core\Rehearsal\Happening;
use Lantern\Core\Rehearsal\HappeningKind;
use Lantern\Core\Rehearsal\Life;
use Lantern\Core\Rehearsal\Option;
use Lantern\Core\Rehearsal\PlacedOrder;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Rehearsal\Stage;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** Stories of made-up people, told by the core alone: what they see, get and pay, and when. */
final class RehearsalTest extends TestCase
{
    private const TAG = 'Interested in First Season';

    /**
     * @return iterable<string, array{list<array<int, string|int>>, list<string>, list<string>, int}> what they do, each after so many
     *     minutes; the emails with their moments in UTC; what happens beside, by kind; what they pay
     */
    public static function stories(): iterable
    {
        // The introductory price holds until eight in the evening of the third day in Oslo, which is 18:00 UTC.
        $begin = [[0, 'get-tag', self::TAG], [10, 'click', 'The introductory price']];
        $first = ['04-14 10:00 The introductory price'];
        $last = ['04-16 18:00 One day left', '04-17 15:00 Three hours left'];
        $after = ['04-18 07:00 The regular price'];
        yield 'never clicks' => [[[0, 'get-tag', self::TAG], [30_000, 'come', 'introductory']], $first, ['led'], 0];
        yield 'clicks, and buys nothing' => [[...$begin, [30_000, 'come', '']], [...$first, ...$last, ...$after],
            ['deadline-started', 'deadline-over'], 0];
        yield 'buys at the last minute' => [[...$begin, [4_789, 'come', 'order-introductory'], [0, 'buy'], [30_000, 'come', '']],
            [...$first, ...$last, '04-17 17:59 Welcome to buyers'], ['bought'], 19_000];
        yield 'has the checkout open, and pays in the grace' => [[...$begin, [4_789, 'come', 'order-introductory'], [10, 'buy']],
            [...$first, ...$last, '04-17 18:09 Welcome to buyers'], ['bought'], 19_000];
        yield 'has the checkout open, and is too late' => [[...$begin, [4_789, 'come', 'order-introductory'], [11, 'buy'],
            [30_000, 'come', '']], [...$first, ...$last, ...$after], ['not-for-sale'], 0];
        yield 'comes to the checkout after the end' => [[...$begin, [4_791, 'come', 'order-introductory'], [0, 'press', 'outcome:chose'],
            [1, 'buy'], [30_000, 'come', '']], [...$first, ...$last, '04-17 18:02 Welcome to buyers'], ['led', 'bought'], 29_000];
        yield 'their card is refused, then it is not' => [[...$begin, [1, 'come', 'order-introductory'], [1, 'card-refused'], [1, 'buy']],
            [...$first, '04-14 10:13 Welcome to buyers'], ['card-refused', 'bought'], 19_000];
        yield 'leaves the list' => [[...$begin, [1, 'unsubscribe'], [30_000, 'come', '']], $first, ['unsubscribed'], 0];
    }

    /**
     * @param  list<array<int, string|int>>  $does
     * @param  list<string>  $emails
     * @param  list<string>  $kinds
     */
    #[DataProvider('stories')]
    public function test_a_story_comes_to_what_it_must(array $does, array $emails, array $kinds, int $paid): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        foreach ($does as $one) {
            [$minutes, $do, $of] = [(int) $one[0], (string) $one[1], (string) ($one[2] ?? '')];
            if ($minutes > 0) {
                $rehearsal->choose($life, new Choice(ChoiceKind::Wait, minutes: $minutes));
            }
            $rehearsal->choose($life, match ($do) {
                'come' => new Choice(ChoiceKind::Come, self::page($plan, $of)),
                'click' => self::click($plan, $of),
                'press' => new Choice(ChoiceKind::Press, to: $of),
                default => new Choice(ChoiceKind::from($do), $of),
            });
        }
        $rehearsal->choose($life, new Choice(ChoiceKind::Wait, minutes: 1));

        self::assertSame([], array_map(fn (Happening $h): string => $h->words, $life->of(HappeningKind::Impossible)));
        self::assertSame($emails, self::emails($life));
        self::assertSame([], array_diff($kinds, array_map(fn (Happening $h): string => $h->kind->value, $life->happened)));
        self::assertSame($paid, $life->paid);
    }

    public function test_a_chain_of_offers_is_followed_and_its_receipt_comes_once(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        foreach ([new Choice(ChoiceKind::Come, self::page($plan, 'order')), new Choice(ChoiceKind::Buy), new Choice(ChoiceKind::Decline),
            new Choice(ChoiceKind::Accept), new Choice(ChoiceKind::Wait, minutes: 60)] as $choice) {
            $rehearsal->choose($life, $choice);
        }
        self::assertSame(['Checkout page', 'Upsell page', 'Downsell page', 'Delivery page'], self::pages($plan, $life));
        self::assertSame(1, count(array_filter($life->mails, fn ($m): bool => $m->kind === 'receipt')));
        self::assertSame(29_000 + 2_500, $life->paid);
    }

    public function test_later_payments_of_a_plan_are_made_on_their_days_each_with_its_receipt(): void
    {
        $plan = self::sells();
        $offer = $plan->offerOn($plan->pageAt('order') ?? $plan->pages[0]) ?? throw new \LogicException('It sells.');
        $plan = $plan->withPart($offer::fromShape(Shape::of(['price' => ['kind' => 'payments', 'amount' => 10_000, 'currency' => 'EUR',
            'payments' => 3, 'every' => 'month'], 'bumps' => []] + $offer->toArray())));
        // Ten in the morning in Berlin, on both sides of the change of the clocks.
        [$rehearsal, $life] = self::begin($plan, start: '2027-09-30 08:00');
        foreach ([new Choice(ChoiceKind::Come, self::page($plan, 'order')), new Choice(ChoiceKind::Buy),
            new Choice(ChoiceKind::Wait, minutes: 45 * 1440)] as $choice) {
            $rehearsal->choose($life, $choice);
        }
        self::assertSame([20_000, 1], [$life->paid, $life->instalmentsPaid]);
        self::assertSame(['10-30 08:00'], array_map(fn (Happening $h): string => $h->at->format('m-d H:i'),
            $life->of(HappeningKind::Paid)));
        $rehearsal->choose($life, new Choice(ChoiceKind::Wait, minutes: 45 * 1440));

        self::assertSame(30_000, $life->paid);
        self::assertSame(['10-30 08:00', '11-30 09:00'], array_map(fn (Happening $h): string => $h->at->setTimezone(new DateTimeZone('UTC'))
            ->format('m-d H:i'), $life->of(HappeningKind::Paid)));
        self::assertSame(3, count(array_filter($life->mails, fn ($m): bool => $m->kind === 'receipt')));
    }

    public function test_whoever_buys_with_an_address_that_is_known_has_an_order_of_its_own_until_they_open_the_receipt(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan, new Visitor(zone: 'Europe/Oslo', known: true));
        $rehearsal->choose($life, new Choice(ChoiceKind::Come, self::page($plan, 'order')));
        $rehearsal->choose($life, new Choice(ChoiceKind::Buy));
        $rehearsal->choose($life, new Choice(ChoiceKind::Wait, minutes: 60));
        // Anybody can type any address: nothing of the person changes, but what was bought is theirs.
        self::assertSame([], $life->person->tags());
        self::assertCount(1, $life->of(HappeningKind::ProductGiven));
        $rehearsal->choose($life, new Choice(ChoiceKind::Click, '', 'purchases'));
        self::assertSame(['Bought First Season'], $life->person->tags());
        // Opened once more, it is theirs already.
        [$happened, $done] = [count($life->happened), $life->person->deeds()];
        $rehearsal->choose($life, new Choice(ChoiceKind::Click, '', 'purchases'));
        self::assertCount($happened + 1, $life->happened);
        self::assertEquals($done, $life->person->deeds());
    }

    public function test_what_was_done_on_a_device_is_theirs_once_it_turns_out_to_be(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        $bought = fn (): bool => array_filter($life->person->deeds(), fn (DoneDeed $d): bool => $d->deed === Deed::Bought) !== [];
        // Somebody gets a tag elsewhere, and buys with that address before anybody can know that it is theirs.
        foreach ([new Choice(ChoiceKind::GetTag, self::TAG), new Choice(ChoiceKind::Come, self::page($plan, 'order')),
            new Choice(ChoiceKind::Buy)] as $choice) {
            $rehearsal->choose($life, $choice);
        }
        self::assertFalse($bought());
        $rehearsal->choose($life, new Choice(ChoiceKind::Wait, minutes: 60));
        $rehearsal->choose($life, self::click($plan, 'The introductory price'));

        self::assertTrue($bought(), 'by the link in their email the browser is theirs, and so is what was done in it');
    }

    public function test_whoever_unsubscribed_stays_so_when_they_buy(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        foreach ([new Choice(ChoiceKind::Come, self::page($plan, 'order')), new Choice(ChoiceKind::Buy),
            new Choice(ChoiceKind::Wait, minutes: 10), new Choice(ChoiceKind::Unsubscribe), new Choice(ChoiceKind::Decline),
            new Choice(ChoiceKind::Accept)] as $choice) {
            $rehearsal->choose($life, $choice);
        }
        self::assertCount(2, $life->of(HappeningKind::Bought));
        self::assertCount(1, $life->of(HappeningKind::Unsubscribed));
        self::assertSame('unsubscribed', $life->person->subscription->value);
    }

    public function test_what_they_do_is_known_as_rules_ask_for_it_and_a_page_greets_those_it_knows(): void
    {
        $plan = Plans::of(Goal::GiveAway);
        [$rehearsal, $life] = self::begin($plan);
        $rehearsal->choose($life, new Choice(ChoiceKind::Come));
        self::assertFalse($life->isGreeted());
        $rehearsal->choose($life, new Choice(ChoiceKind::Join, $plan->forms[0]->id));
        self::assertTrue($life->isGreeted());
        $done = array_map(fn (DoneDeed $d): string => "{$d->deed->value} {$d->with}", $life->person->deeds());
        self::assertContains("joined {$plan->id}", $done);
        self::assertContains("viewed {$plan->id}", $done);
        $rehearsal->choose($life, new Choice(ChoiceKind::OtherDevice));
        $rehearsal->choose($life, new Choice(ChoiceKind::Come));
        self::assertFalse($life->isGreeted(), 'nobody is known on a device of which nothing is known');
        $rehearsal->choose($life, new Choice(ChoiceKind::Click, $life->mails[0]->of));
        self::assertTrue($life->isGreeted());
    }

    public function test_a_deadline_is_the_persons_and_goes_with_them_to_another_device(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        foreach ([new Choice(ChoiceKind::GetTag, self::TAG), self::click($plan, 'The introductory price'),
            new Choice(ChoiceKind::Wait, minutes: 6_000), new Choice(ChoiceKind::OtherDevice)] as $choice) {
            $rehearsal->choose($life, $choice);
        }
        // On a device that nobody knows the deadline has not begun: the price of before is shown.
        $rehearsal->choose($life, new Choice(ChoiceKind::Come, self::page($plan, 'introductory')));
        self::assertSame('Sales page', $plan->page($life->page)?->name);
        $rehearsal->choose($life, self::click($plan, 'The introductory price'));
        self::assertSame('Sales page', $plan->page($life->page)?->name);
        self::assertCount(1, $life->of(HappeningKind::DeadlineStarted));
    }

    /** @return iterable<string, array{string, string, string}> zone, start in UTC, the end in UTC */
    public static function clocks(): iterable
    {
        yield 'an ordinary week' => ['Europe/Oslo', '2027-04-14 10:00', '2027-04-17 18:00'];
        yield 'across the change to summer time' => ['Europe/Oslo', '2027-03-26 10:00', '2027-03-29 18:00'];
        yield 'begun just before it' => ['Europe/Oslo', '2027-03-25 22:30', '2027-03-28 18:00'];
        yield 'across the change back' => ['Europe/Oslo', '2027-10-29 10:00', '2027-11-01 19:00'];
        yield 'far east of the owner' => ['Pacific/Auckland', '2027-04-14 10:00', '2027-04-17 08:00'];
        yield 'far west' => ['Pacific/Honolulu', '2027-04-14 05:00', '2027-04-17 06:00'];
        yield 'a zone of three quarters' => ['Asia/Kathmandu', '2027-04-14 10:00', '2027-04-17 14:15'];
    }

    #[DataProvider('clocks')]
    public function test_days_are_those_of_the_visitors_own_calendar(string $zone, string $start, string $end): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan, new Visitor(zone: $zone), $start);
        $rehearsal->choose($life, new Choice(ChoiceKind::GetTag, self::TAG));
        $rehearsal->choose($life, self::click($plan, 'The introductory price'));
        $runs = array_values(Following::known($life)->deadlines());
        self::assertSame($end, $runs[0]->endsAt->format('Y-m-d H:i'));
    }

    public function test_nothing_follows_from_a_form_before_its_address_is_confirmed(): void
    {
        $plan = Plans::giveAway();
        $plan = $plan->withPart(FormPlan::fromShape(Shape::of(['doubleOptIn' => true] + $plan->forms[0]->toArray())));
        [$rehearsal, $life] = self::begin($plan);
        $rehearsal->choose($life, new Choice(ChoiceKind::Come));
        $rehearsal->choose($life, new Choice(ChoiceKind::Join, $plan->forms[0]->id));
        self::assertSame([[], '', 'unconfirmed'], [self::emails($life), $life->page, $life->person->subscription->value]);
        $late = clone $life;
        $rehearsal->choose($life, new Choice(ChoiceKind::Confirm));
        self::assertSame(PageRole::ThankYou, $plan->page($life->page)?->role);
        self::assertCount(1, self::emails($life));
        // The link holds for three days.
        $rehearsal->choose($late, new Choice(ChoiceKind::Wait, minutes: 3 * 1440 + 1));
        $rehearsal->choose($late, new Choice(ChoiceKind::Confirm));
        self::assertSame([[], 'unconfirmed'], [self::emails($late), $late->person->subscription->value]);
    }

    public function test_what_cannot_be_done_is_told_and_changes_nothing(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        $impossible = [new Choice(ChoiceKind::Buy), new Choice(ChoiceKind::Accept), new Choice(ChoiceKind::Decline),
            new Choice(ChoiceKind::Confirm),
            new Choice(ChoiceKind::Join, 'nothing'), new Choice(ChoiceKind::Click, 'nothing', 'page:x'), new Choice(ChoiceKind::Press,
                to: 'x'),
            new Choice(ChoiceKind::Attend, 'nothing'), new Choice(ChoiceKind::WatchReplay), new Choice(ChoiceKind::Read, 'x'),
            new Choice(ChoiceKind::Download, 'x'), new Choice(ChoiceKind::Unsubscribe), new Choice(ChoiceKind::ClosePopup, 'x'),
            new Choice(ChoiceKind::GetTag, ' '), new Choice(ChoiceKind::Wait, 'no deadline')];
        foreach ($impossible as $choice) {
            $rehearsal->choose($life, $choice);
        }
        self::assertCount(count($impossible), $life->of(HappeningKind::Impossible));
        self::assertSame([false, [], 0, ''], [$life->known, $life->mails, $life->paid, $life->page]);
    }

    public function test_time_goes_on_to_what_happens_next_and_ends_where_nothing_does(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        $rehearsal->choose($life, new Choice(ChoiceKind::GetTag, self::TAG));
        $rehearsal->choose($life, self::click($plan, 'The introductory price'));
        $moments = [];
        for ($i = 0; $i < 12 && $life->of(HappeningKind::Impossible) === []; $i++) {
            $rehearsal->choose($life, new Choice(ChoiceKind::Wait));
            $moments[] = $life->now->format('m-d H:i');
        }
        self::assertSame(['04-16 18:00', '04-17 15:00', '04-17 18:00', '04-17 18:10', '04-18 07:00', '04-18 07:00'], $moments);
    }

    public function test_an_email_stays_what_it_was_for_its_reader_when_it_came(): void
    {
        $plan = self::sells();
        $first = self::click($plan, 'The introductory price')->of;
        $link = fn (string $address): string => '<p><a href="{{page_'.self::page($plan, $address).'}}">x</a></p>';
        $only = fn (bool $not): string => '<div data-only="'.htmlspecialchars((string) json_encode(['kind' => 'tag', 'not' => $not,
            'tag' => 'VIP']), ENT_QUOTES).'">';
        $email = $plan->email($first) ?? throw new \LogicException;
        $plan = $plan->withPart($email::fromShape(Shape::of(['body' => "{$only(false)}{$link('order')}</div>{$only(true)}{$link('')}</div>"]
            + $email->toArray())));
        [$rehearsal, $life] = self::begin($plan);
        $rehearsal->choose($life, new Choice(ChoiceKind::GetTag, self::TAG));
        $rehearsal->choose($life, new Choice(ChoiceKind::GetTag, 'VIP'));
        self::assertSame(['page:'.self::page($plan, '')], $life->mails[0]->links($plan));
        $offered = array_filter($rehearsal->options($life), fn (Option $o): bool => $o->choice->kind === ChoiceKind::Click);
        self::assertSame(['page:'.self::page($plan, '')], array_values(array_map(fn (Option $o): string => $o->choice->to, $offered)));
        $rehearsal->choose($life, new Choice(ChoiceKind::Click, $first, 'page:'.self::page($plan, 'order')));
        self::assertSame('There is no such link in this email.', $life->of(HappeningKind::Impossible)[0]->words);
    }

    public function test_a_clone_goes_its_own_way(): void
    {
        $plan = self::sells();
        [$rehearsal, $life] = self::begin($plan);
        $rehearsal->choose($life, new Choice(ChoiceKind::Come, self::page($plan, 'order')));
        $other = clone $life;
        $rehearsal->choose($other, new Choice(ChoiceKind::Buy));
        self::assertSame([0, 29_000], [$life->paid, $other->paid]);
        self::assertNotSame($life->page, $other->page);
        self::assertNull($life->browser()->order);
    }

    public function test_everything_that_is_offered_can_be_done(): void
    {
        mt_srand(7);
        foreach (Plans::all() as $goal => $plan) {
            for ($way = 0; $way < 6; $way++) {
                [$rehearsal, $life] = self::begin($plan);
                for ($step = 0; $step < 25; $step++) {
                    $options = $rehearsal->options($life);
                    $option = $options[mt_rand(0, count($options) - 1)];
                    $rehearsal->choose($life, $option->choice);
                    self::assertSame([], $life->of(HappeningKind::Impossible), "{$goal}: {$option->words}");
                }
                $words = array_map(fn (Option $o): string => $o->words, $rehearsal->options($life));
                self::assertNotContains('', $words);
            }
        }
    }

    public function test_the_same_choices_come_to_the_same(): void
    {
        $plan = self::sells();
        $rehearsal = new Rehearsal(self::stage($plan));
        $choices = [new Choice(ChoiceKind::GetTag, self::TAG), self::click($plan, 'The introductory price'),
            new Choice(ChoiceKind::Wait, minutes: 9_000)];
        $play = fn (): array => array_map(fn (Happening $h): array => $h->toArray(), $rehearsal->play(new Visitor(zone: 'Europe/Oslo'),
            new DateTimeImmutable('2027-04-14 10:00 UTC'), $choices)->happened);
        self::assertSame($play(), $play());
        self::assertNotSame([], $play());
    }

    public static function stage(Plan $plan): Stage
    {
        return new Stage($plan, new DateTimeZone('Europe/Berlin'), TaxRate::of(0));
    }

    /** @return array{Rehearsal, Life} */
    private static function begin(Plan $plan, ?Visitor $visitor = null, string $start = '2027-04-14 10:00'): array
    {
        $rehearsal = new Rehearsal(self::stage($plan));

        return [$rehearsal, $rehearsal->begin($visitor ?? new Visitor(zone: 'Europe/Oslo'), new DateTimeImmutable("{$start} UTC"))];
    }

    /** A funnel that sells for 190 at first, and for 290 after that. */
    public static function sells(): Plan
    {
        $plan = Plans::of(Goal::Sell);
        $prices = ['Introductory price' => 19_000, 'The recordings' => 2_500, 'A private hour' => 6_000];
        foreach ($plan->offers as $offer) {
            if (isset($prices[$offer->name])) {
                $plan = $plan->withPart($offer::fromShape(Shape::of(['price' => ['kind' => 'once', 'amount' => $prices[$offer->name],
                    'currency' => 'EUR']] + $offer->toArray())));
            }
        }

        return $plan;
    }

    public static function page(Plan $plan, string $address): string
    {
        return $plan->pageAt($address)->id ?? throw new \LogicException("There is a page at {$address}.");
    }

    public static function click(Plan $plan, string $email): Choice
    {
        foreach ($plan->emails as $one) {
            if ($one->name === $email) {
                return new Choice(ChoiceKind::Click, $one->id);
            }
        }

        throw new \LogicException("There is an email “{$email}”.");
    }

    /** @return list<string> of sequences, each with its moment in UTC */
    private static function emails(Life $life): array
    {
        $emails = array_values(array_filter($life->mails, fn ($m): bool => $m->kind === 'sequence'));

        return array_map(fn ($m): string => "{$m->at->format('m-d H:i')} {$m->name}", $emails);
    }

    /** @return list<string> */
    private static function pages(Plan $plan, Life $life): array
    {
        return array_map(fn (Happening $h): string => $plan->nameOf($h->of), $life->of(HappeningKind::Page));
    }

    public function test_a_bump_that_is_theirs_already_keeps_them_on_the_checkout_and_sells_nothing(): void
    {
        $plan = Plans::of(Goal::Sell);
        $bump = $plan->offerOn($plan->pageAt('order') ?? $plan->pages[0])->bumps[0]->offer ?? '';
        self::assertNotSame('', $bump);
        $rehearsal = new Rehearsal(self::stage($plan));
        $life = $rehearsal->begin(new Visitor, new DateTimeImmutable('2027-04-14 10:00 UTC'));
        foreach ([new Choice(ChoiceKind::GetTag, self::TAG), self::click($plan, 'The introductory price')] as $choice) {
            $rehearsal->choose($life, $choice);
        }
        $life->orders[] = new PlacedOrder($life->now, [$bump]);
        $rehearsal->choose($life, new Choice(ChoiceKind::Come, self::page($plan, 'order')));
        $rehearsal->choose($life, new Choice(ChoiceKind::Buy, bumps: [$bump]));
        self::assertSame([1, self::page($plan, 'order'), 'bump'], [count($life->orders), $life->page,
            $life->happened[count($life->happened) - 1]->text('notice')]);
        $rehearsal->choose($life, new Choice(ChoiceKind::Buy));
        self::assertCount(2, $life->orders, 'without it they buy');
    }
}
