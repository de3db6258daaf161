<?php

declare(strict_types=1);

namespace Tests\Core\Emails;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Checks\DeadlineWords;
use Lantern\Core\Checks\EmailCheck;
use Lantern\Core\Checks\EmailFacts;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Emails\BroadcastPlan;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Emails\SubjectTest;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Results\FieldCost;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Emails before they go out: what they hold, for whom, and what should be fixed; and which subject did better. */
final class EmailBodyTest extends TestCase
{
    private static function now(): DateTimeImmutable
    {
        return new DateTimeImmutable('2026-12-20 10:00', new DateTimeZone('UTC')); // a Sunday
    }

    /** @param  array<string, mixed>  $more */
    private static function facts(array $more = []): EmailFacts
    {
        return new EmailFacts(...$more + ['now' => self::now(), 'zone' => new DateTimeZone('Europe/Berlin'),
            'fields' => ['business', 'programme'], 'personal' => ['first_name', 'email', 'level'],
            'pages' => ['p1' => 'Sales page'], 'postalAddress' => '1 Yard', 'gives' => true]);
    }

    private const WORDS = '<p>Words enough to fill an email that somebody reads with pleasure on a quiet evening at home, with nothing '
        .'else to do.</p>';

    /** @return iterable<string, array{string, string, array<string, mixed>, list<string>}> subject, body, facts, codes */
    public static function letters(): iterable
    {
        yield 'a good one' => ['Hello {{first_name|there}}',
            self::WORDS.'<p><a href="{{page_p1}}">See it</a> or <a href="mailto:imke@ferncroft.example">write</a></p>', [], []];
        yield 'nothing at all' => ['', '<p></p><p>&nbsp;</p>', [], ['no-subject', 'empty-email']];
        yield 'a long subject' => [str_repeat('word ', 13), self::WORDS, [], ['long-subject']];
        yield 'a subject that is short once it is filled in' => [str_repeat('x', 50).'{{first_name|there}}', self::WORDS, [], []];
        yield 'a prompt left in' => ['x', self::WORDS.'<p>[your words]</p>', [], ['placeholder']];
        yield 'a field nobody knows' => ['x', self::WORDS.'<p>{{shoe_size|none}}</p>', [], ['unknown-field']];
        yield 'a hole where a name is not known' => ['Hello {{first_name}}', self::WORDS.'<p>{{level}} {{email}} {{business}}</p>', [],
            ['no-fallback', 'no-fallback']];
        yield 'a download there is not' => ['x', self::WORDS.'<p><a href="{{download_link}}">get</a></p>', ['gives' => false],
            ['download-gone']];
        yield 'a page that is gone' => ['x', self::WORDS.'<p><a href="{{page_p9}}">see</a></p>', [], ['dead-link']];
        yield 'links that lead nowhere' => ['x', self::WORDS
            .'<p><a href="">a</a> <a href="https://">b</a> <a href="https://shop">c</a> <a href="mailto:nobody">d</a></p>', [],
            ['dead-link', 'dead-link', 'dead-link', 'dead-link']];
        yield 'the same dead link twice is one' => ['x', self::WORDS.'<p><a href="#">a</a> <a href="#">b</a></p>', [], ['dead-link']];
        yield 'a picture alone' => ['x', '<p>Look!</p><img src="picture:01" alt="A cello">', [], ['picture-only']];
        yield 'a picture nobody describes' => ['x', self::WORDS.'<img src="picture:01" alt=" ">', [], ['no-alt']];
        yield 'too heavy' => ['x', self::WORDS, ['bytes' => 100_001], ['heavy']];
        yield 'no postal address' => ['x', self::WORDS, ['postalAddress' => ' '], ['no-postal-address']];
        $deadline = ['deadlines' => ['Sales page' => new DateTimeImmutable('2027-01-08 23:00', new DateTimeZone('UTC'))]];
        yield 'the right day' => ['x', self::WORDS.'<p>The doors close on 8 January.</p>', $deadline, []];
        yield 'midnight is the day before, too' => ['x', self::WORDS.'<p>It ends on 9 January at midnight.</p>', $deadline, []];
        yield 'another day' => ['x', self::WORDS.'<p>The doors close on 7 January.</p>', $deadline, ['deadline-differs']];
        yield 'a day that ends nothing' => ['x', self::WORDS.'<p>We met on 7 January.</p>', $deadline, []];
        yield 'without a deadline every day may be true' => ['x', self::WORDS.'<p>The doors close on 7 January.</p>', [], []];
        yield 'a day of the week in a sequence means another one for each' => ['x', self::WORDS.'<p>It closes on Friday.</p>', $deadline,
            []];
        yield 'in a broadcast it is one day' => ['x', self::WORDS.'<p>It closes on Tuesday.</p>',
            $deadline + ['sendAt' => new DateTimeImmutable('2027-01-04 09:00')], ['deadline-differs']];
        yield 'the right one in a broadcast' => ['x', self::WORDS.'<p>It closes on Friday.</p>',
            $deadline + ['sendAt' => new DateTimeImmutable('2027-01-04 09:00')], []];
        yield 'over when it goes out' => ['Only until 20 December', self::WORDS, ['sendAt' => new DateTimeImmutable('2026-12-21 09:00')],
            ['deadline-over']];
    }

    /**
     * @param  array<string, mixed>  $facts
     * @param  list<string>  $codes
     */
    #[DataProvider('letters')]
    public function test_what_the_check_finds(string $subject, string $body, array $facts, array $codes): void
    {
        $findings = EmailCheck::of('Letter', $subject, $body, self::facts($facts), 'email', 'e1');

        self::assertSame($codes, array_map(fn (Finding $f): string => $f->code, $findings));
        foreach ($findings as $finding) {
            self::assertSame(['email', 'e1'], [$finding->open, $finding->id]);
            self::assertMatchesRegularExpression('/[.”]$/u', $finding->message);
        }
    }

    /** @return iterable<string, array{string, list<string>}> text, days */
    public static function texts(): iterable
    {
        yield 'ISO' => ['Open until 2027-03-05.', ['2027-03-05']];
        yield 'day first' => ['It closes on 5 March 2027!', ['2027-03-05']];
        yield 'with an ending' => ['by the 1st of March, 2027', ['2027-03-01']];
        yield 'month first' => ['until March 5th', ['2027-03-05']];
        yield 'the coming January' => ['ends 5 January', ['2027-01-05']];
        yield 'the December that was' => ['it ended; the deadline was 19 December', ['2026-12-19']];
        yield 'a day there is not' => ['until 30 February 2027', []];
        yield 'a leap day' => ['until 29 February 2028', ['2028-02-29']];
        yield 'two in a sentence' => ['It ends on 5 January or 6 January.', ['2027-01-05', '2027-01-06']];
        yield 'Friday, from a Sunday' => ['closes on Friday', ['2026-12-25']];
        yield 'Sunday is today' => ['closes on Sunday', ['2026-12-20']];
        yield 'tomorrow' => ['The last day is tomorrow.', ['2026-12-21']];
        yield 'tonight' => ['It ends tonight.', ['2026-12-20']];
        yield 'nothing ends' => ['On 5 March we met. Doors are green.', []];
        yield 'the end stands in another sentence' => ['We met on 5 March. It ends soon.', []];
        yield 'may is no month here' => ['You may stay until you like', []];
        yield 'nothing' => ['', []];
    }

    /** @param  list<string>  $days */
    #[DataProvider('texts')]
    public function test_days_that_an_email_names_as_an_end(string $text, array $days): void
    {
        self::assertSame($days, array_column(DeadlineWords::in($text, self::now(), new DateTimeZone('UTC')), 'day'));
    }

    public function test_the_evening_of_one_day_is_the_next_further_east(): void
    {
        $late = new DateTimeImmutable('2026-12-20 23:30', new DateTimeZone('UTC'));
        self::assertSame('2026-12-22', DeadlineWords::in('ends tomorrow', $late, new DateTimeZone('Europe/Berlin'))[0]['day']);
        self::assertSame('2026-12-21', DeadlineWords::in('ends tomorrow', $late, new DateTimeZone('UTC'))[0]['day']);
    }

    public function test_parts_and_conditions_of_an_email(): void
    {
        $only = fn (string $tag): string => '<div data-only="'
            .htmlspecialchars((string) json_encode(['kind' => 'tag', 'tag' => $tag])).'"><p>For '.$tag.'</p></div>';
        $body = '<p>All</p>'.$only('Cello').$only('Piano & "Co"')
            .'<div data-only="{broken"><p>Nobody</p></div><div data-part="sig"></div><div data-part="gone"></div><div '
                .'data-part="sig"></div>';
        $person = PersonState::unknown(new DateTimeZone('UTC'))->withTags(['piano & "co"']);

        self::assertSame(['sig', 'gone'], EmailBody::parts($body));
        self::assertSame(['Cello', 'Piano & "Co"'], array_map(fn ($r): string => $r->tag, EmailBody::rules($body)));
        self::assertSame('<p>All</p><p>For Piano & "Co"</p><p>Imke</p><p>Imke</p>',
            EmailBody::forReader(EmailBody::withParts($body, ['sig' => '<p>Imke</p>']), $person, self::now()));
        self::assertStringContainsString('For Cello', EmailBody::forEverybody($body));
        self::assertSame(['https://a.example/?x=1&y=2', '{{page_1}}'],
            EmailBody::links('<a href="https://a.example/?x=1&amp;y=2">a</a><a class="button" href="{{page_1}}">b</a><a>c</a><a '
                .'href="{{page_1}}">b</a>'));
    }

    public function test_readers_are_drawn_evenly_and_always_the_same_way(): void
    {
        $plan = BroadcastPlan::fromShape(Shape::of(['otherSubject' => 'B', 'share' => 30]));
        $wider = BroadcastPlan::fromShape(Shape::of(['otherSubject' => 'B', 'share' => 60]));
        $counts = ['a' => 0, 'b' => 0, '' => 0];
        for ($i = 0; $i < 20_000; $i++) {
            $variant = $plan->variant('broadcast', "person{$i}");
            $counts[$variant ?? '']++;
            self::assertSame($variant, $plan->variant('broadcast', "person{$i}"));
            if ($variant !== null) {
                self::assertSame($variant, $wider->variant('broadcast', "person{$i}"), 'who is in a smaller share is in a larger one');
            }
        }
        self::assertEqualsWithDelta(3000, $counts['a'], 150);
        self::assertEqualsWithDelta(3000, $counts['b'], 150);
        self::assertNotSame(array_map(fn (int $i): ?string => $plan->variant('one', "p{$i}"), range(1, 50)),
            array_map(fn (int $i): ?string => $plan->variant('other', "p{$i}"), range(1, 50)));
        self::assertNull((new BroadcastPlan)->variant('broadcast', 'person1'), 'without another subject there is no test');
        $this->expectException(Invalid::class);
        BroadcastPlan::fromShape(Shape::of(['share' => 1]));
    }

    /**
     * @return iterable<string, array{int, int, int, int, string, float, float}> sent and hits of each, winner, and between what and what
     *     it is sure
     */
    public static function subjects(): iterable
    {
        yield 'clearly the second' => [1000, 200, 1000, 260, 'b', 0.99, 1.0];
        yield 'clearly the first' => [1000, 260, 1000, 200, 'a', 0.99, 1.0];
        yield 'a little better may be luck' => [100, 20, 100, 23, 'b', 0.6, 0.8];
        yield 'the same goes to the first' => [100, 20, 100, 20, 'a', 0.49, 0.51];
        yield 'nobody opened' => [100, 0, 100, 0, 'a', 0.49, 0.51];
        yield 'nobody was sent one' => [0, 0, 0, 0, 'a', 0.49, 0.51];
        yield 'one of one is no proof' => [1, 0, 1, 1, 'b', 0.6, 0.95];
        yield 'everybody opened both' => [50, 50, 50, 50, 'a', 0.49, 0.51];
    }

    #[DataProvider('subjects')]
    public function test_which_subject_did_better_and_how_sure_that_is(
        int $sentA,
        int $hitsA,
        int $sentB,
        int $hitsB,
        string $winner,
        float $least,
        float $most,
    ): void {
        $test = SubjectTest::of(['sent' => $sentA, 'hits' => $hitsA], ['sent' => $sentB, 'hits' => $hitsB]);

        self::assertSame($winner, $test->winner);
        self::assertGreaterThanOrEqual($least, $test->sure);
        self::assertLessThanOrEqual($most, $test->sure);
        self::assertStringEndsWith('.', $test->words(true));
    }

    /** @return iterable<string, array{array<int, array{int, int}>, float|null, string}> visitors and signups by fields */
    public static function costs(): iterable
    {
        yield 'nothing yet' => [[], null, 'once two forms'];
        yield 'one kind of form only' => [[2 => [5000, 1500]], null, 'once two forms'];
        yield 'the other has too few visitors' => [[2 => [5000, 1500], 1 => [99, 50]], null, 'once two forms'];
        yield 'a field costs five points' => [[1 => [1000, 400], 2 => [1000, 350]], -0.05, 'cost 5.0 percentage points'];
        yield 'three kinds, weighted by visitors' => [[1 => [1000, 400], 2 => [1000, 350], 3 => [1000, 300]], -0.05,
            'of a hundred visitors, 5 fewer join'];
        yield 'next to nothing' => [[1 => [1000, 400], 2 => [1000, 399]], -0.001, 'next to nothing'];
        yield 'more fields did better' => [[1 => [1000, 300], 3 => [1000, 400]], 0.05, 'That may be luck'];
    }

    /** @param  array<int, array{int, int}>  $rows */
    #[DataProvider('costs')]
    public function test_what_a_field_costs(array $rows, ?float $perField, string $words): void
    {
        $cost = FieldCost::of(array_map(fn (array $r): array => ['visitors' => $r[0], 'signups' => $r[1]], $rows));

        $perField === null ? self::assertNull($cost->perField) : self::assertEqualsWithDelta($perField, (float) $cost->perField, 1e-9);
        self::assertStringContainsString($words, $cost->words(3));
        if ($perField === null) {
            self::assertSame('', $cost->words(1), 'a form that asks for the address alone needs no advice');
        }
    }
}
