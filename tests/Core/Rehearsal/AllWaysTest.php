<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use DateTimeImmutable;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\Plan;
use Lantern\Core\Promises\Visitor;
use Lantern\Core\Rehearsal\AllWays;
use Lantern\Core\Rehearsal\HappeningKind;
use Lantern\Core\Rehearsal\KindOfPerson;
use Lantern\Core\Rehearsal\Rehearsal;
use Lantern\Core\Rehearsal\WayFinding;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Webinar;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** All ways through a funnel: they are finite, what goes wrong in one of them is found, and its way shows it. */
final class AllWaysTest extends TestCase
{
    private const START = '2027-04-14 10:00 UTC';

    public function test_everything_that_can_become_of_somebody_is_there(): void
    {
        $ways = self::ways(RehearsalTest::sells());
        self::assertFalse($ways->cut);
        $kinds = array_map(fn (KindOfPerson $k): string => "{$k->words}: {$k->emails}, {$k->paid}", array_values($ways->kinds));
        self::assertContains('Got a tag, bought nothing: 4, 0', $kinds);
        self::assertContains('Got a tag, bought “Introductory price” and “A private hour”: 3, 25000', $kinds);
        self::assertContains('Never joined, bought “Regular price” and “The recordings”: 2, 31500', $kinds);
        self::assertSame([], self::codes($ways));
    }

    public function test_each_way_leads_to_what_is_said_of_it(): void
    {
        $plan = RehearsalTest::sells();
        foreach (self::ways($plan)->kinds as $kind) {
            $life = (new Rehearsal(RehearsalTest::stage($plan)))->play(self::visitor(), $kind->start, $kind->way);
            self::assertSame([], array_filter($life->of(HappeningKind::Impossible),
                fn ($h): bool => $h->words !== 'Nothing more happens by itself.'));
            self::assertSame($kind->emails, count($life->mails), $kind->words);
        }
    }

    public function test_an_email_that_offers_what_was_bought_is_found(): void
    {
        $plan = RehearsalTest::sells();
        $buyers = self::email($plan, 'Welcome to buyers')->sequence;
        $page = RehearsalTest::page($plan, '');
        $plan = $plan->with([...$plan->parts, new EmailPlan('again', 'Have you seen this?', 'x',
            "<p><a href=\"{{page_{$page}}}\">x</a></p>",
            Delay::days(2, 9), $buyers)]);
        $found = self::found(self::ways($plan), 'offers-what-they-have');
        self::assertSame('“Have you seen this?” offers “First Season” to somebody who has bought it.', $found->words);
        $life = (new Rehearsal(RehearsalTest::stage($plan)))->play(self::visitor(), new DateTimeImmutable(self::START), $found->way);
        self::assertTrue($life->hasMail('sequence', 'again'));
        self::assertGreaterThan(0, $life->paid);
    }

    public function test_an_email_whose_link_leads_elsewhere_by_then_is_found(): void
    {
        $plan = RehearsalTest::sells();
        $page = RehearsalTest::page($plan, 'introductory');
        $plan = $plan->with([...$plan->parts, new EmailPlan('late', 'Still time', 'x', "<p><a href=\"{{page_{$page}}}\">x</a></p>",
            Delay::days(6, 9), self::email($plan, 'The introductory price')->sequence)]);
        self::assertSame('When “Still time” comes, its link to “Sales page, introductory” leads to “Sales page” already.',
            self::found(self::ways($plan), 'leads-elsewhere')->words);
    }

    /** @return iterable<string, array{string, list<string>}> what an email says an hour after joining; what is found, in words */
    public static function days(): iterable
    {
        $rule = (string) json_encode(['kind' => 'tag', 'not' => false, 'tag' => 'VIP']);
        $vip = '<div data-only="'.htmlspecialchars($rule, ENT_QUOTES).'">';
        yield 'the day on which it ends for them' => ['<p>The price ends on 17 April.</p>', []];
        yield 'another day' => ['<p>The price ends on 16 April.</p>',
            ['“Mind the day” says 16 April, but “Introductory price” ends for whoever gets it so on 17 April 2027.']];
        yield 'another day of the week' => ['<p>The price ends on Friday.</p>',
            ['“Mind the day” says Friday, but “Introductory price” ends for whoever gets it so on 17 April 2027.']];
        yield 'a day that is gone' => ['<p>The price ends on 2027-04-12.</p>',
            ['“Mind the day” speaks of 2027-04-12, which is over when it goes out.']];
        yield 'another day, for others only' => ["{$vip}<p>The price ends on 16 April.</p></div>", []];
    }

    /** @param  list<string>  $found */
    #[DataProvider('days')]
    public function test_an_email_that_names_another_day_than_its_readers_deadline_is_found(string $body, array $found): void
    {
        $plan = RehearsalTest::sells();
        $plan = $plan->with([...$plan->parts, new EmailPlan('day', 'Mind the day', 'x', $body, Delay::minutes(60),
            self::email($plan, 'The introductory price')->sequence)]);
        self::assertSame($found, array_map(fn (WayFinding $f): string => $f->words, self::ways($plan)->findings->list()));
    }

    public function test_many_emails_in_a_day_are_found(): void
    {
        $plan = RehearsalTest::sells();
        $sequence = self::email($plan, 'The introductory price')->sequence;
        $more = array_map(fn (int $i): EmailPlan => new EmailPlan("m{$i}", "Email {$i}", 'x', '<p>x</p>', Delay::minutes(60 * $i),
            $sequence), [1, 2, 3]);
        self::assertSame('Somebody gets 4 emails within a day; the last of them is “Email 3”.',
            self::found(self::ways($plan->with([...$plan->parts, ...$more])), 'many-a-day')->words);
    }

    public function test_an_email_that_goes_to_nobody_is_found(): void
    {
        $plan = RehearsalTest::sells();
        $plan = $plan->with([...$plan->parts, new \Lantern\Core\Sequences\SequencePlan('s', 'Lonely'), new EmailPlan('e', 'Alone', 'x',
            '<p>x</p>', Delay::atOnce(), 's')]);
        $found = self::found(self::ways($plan), 'never-sent');
        self::assertSame(['“Alone” goes to nobody, whatever they do.', []], [$found->words, $found->way]);
    }

    public function test_they_are_finite_for_every_starter_and_for_sixty_pages_and_forty_emails(): void
    {
        foreach (Plans::all() as $goal => $plan) {
            $ways = self::ways($plan);
            self::assertFalse($ways->cut, $goal);
            self::assertNotSame([], $ways->kinds, $goal);
        }
        $plan = Plans::of(Goal::VideoSeries);
        $sequence = $plan->sequences[0]->id;
        $pages = array_map(fn (int $i): PagePlan => PagePlan::fromShape(Shape::of(['id' => "page{$i}", 'name' => "Page {$i}",
            'address' => "page-{$i}"] + $plan->pages[1]->toArray())), range(1, 60 - count($plan->pages)));
        $emails = array_map(fn (int $i): EmailPlan => new EmailPlan("big{$i}", "Day {$i}", 'x',
            "<p><a href=\"{{page_page{$i}}}\">x</a></p>", Delay::days($i, 9), $sequence), range(1, 40));
        $large = self::ways($plan->with([...$plan->parts, ...$pages, ...$emails]));
        self::assertLessThanOrEqual(AllWays::MOST, $large->places);
        self::assertNotSame([], $large->kinds);
    }

    public function test_whoever_comes_to_a_webinar_and_whoever_misses_it_are_there(): void
    {
        $plan = Plans::of(Goal::Webinar);
        $weekly = ['kind' => 'recurring', 'zone' => 'Europe/Berlin', 'times' => ['18:00'], 'minutes' => 60,
            'recurrence' => ['every' => 'week', 'days' => [2], 'from' => '2027-01-05']];
        $ways = self::ways($plan->withPart(Webinar::fromShape(Shape::of(['schedule' => $weekly] + $plan->webinars[0]->toArray()))));
        self::assertFalse($ways->cut);
        $words = implode('; ', array_map(fn (KindOfPerson $k): string => $k->words, array_values($ways->kinds)));
        self::assertStringContainsString('came', $words);
        self::assertStringContainsString('missed', $words);
        // A reminder of a day before goes to nobody whose session is sooner: the session after shows that it is sent.
        self::assertNotContains('never-sent', self::codes($ways));
    }

    private static function ways(Plan $plan): AllWays
    {
        return AllWays::of(RehearsalTest::stage($plan), self::visitor(), new DateTimeImmutable(self::START));
    }

    private static function visitor(): Visitor
    {
        return new Visitor(zone: 'Europe/Oslo');
    }

    /** @return list<string> */
    private static function codes(AllWays $ways): array
    {
        return array_map(fn (WayFinding $f): string => $f->code, $ways->findings->list());
    }

    private static function found(AllWays $ways, string $code): WayFinding
    {
        foreach ($ways->findings->list() as $finding) {
            if ($finding->code === $code) {
                return $finding;
            }
        }
        self::fail("{$code} is among ".implode(', ', self::codes($ways)));
    }

    private static function email(Plan $plan, string $name): EmailPlan
    {
        foreach ($plan->emails as $email) {
            if ($email->name === $name) {
                return $email;
            }
        }
        self::fail("There is an email “{$name}”.");
    }
}
