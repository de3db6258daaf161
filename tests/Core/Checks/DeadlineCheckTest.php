<?php

declare(strict_types=1);

namespace Tests\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Checks\DeadlineCheck;
use Lantern\Core\Checks\EmailCheck;
use Lantern\Core\Checks\EmailFacts;
use Lantern\Core\Checks\Finding;
use Lantern\Core\Plan\Goal;
use Lantern\Core\Plan\PagePlan;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Plan\Plan;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Plan\Plans;

/** A funnel that sells, with a deadline on its sales page and checkout; each case breaks one thing. */
final class DeadlineCheckTest extends TestCase
{
    /** @param  callable(array<string, mixed>): array<string, mixed>  $change */
    private static function plan(callable $change): Plan
    {
        return Plans::changed(function (array $p) use ($change): array {
            $page = fn (string $role): string => array_values(array_filter($p['pages'],
                fn (array $x): bool => $x['role'] === $role))[0]['id'];
            [$sales, $checkout, $closed] = [$page('sales'), $page('checkout'), $page('closed')];
            $p = Plans::atOnePrice($p);
            $p['sequences'][] = ['id' => 'seq', 'name' => 'The offer', 'starts' => [['kind' => 'tag', 'tag' => 'Keen']]];
            $p['emails'][] = ['id' => 'offer', 'name' => 'The offer', 'subject' => 'x', 'sequence' => 'seq',
                'body' => "<p><a href=\"{{page_{$sales}}}\">See it</a></p>"];
            $p['emails'][] = ['id' => 'eve', 'name' => 'The eve', 'subject' => 'x', 'sequence' => 'seq', 'body' => '<p>x</p>',
                'timing' => ['from' => 'deadline', 'deadline' => 'd', 'edge' => 'end', 'days' => -1]];
            $p['ways'][] = ['page' => $checkout, 'outcome' => 'time-ran-out', 'toPage' => $closed];
            $p['deadlines'][] = ['id' => 'd', 'name' => 'Three days', 'duration' => ['days' => 3, 'time' => '20:00'],
                'starts' => [['kind' => 'click', 'email' => 'offer']], 'offers' => [$p['offers'][0]['id']],
                'pages' => [['page' => $sales, 'before' => $closed], ['page' => $checkout, 'before' => $closed]]];

            return $change($p);
        }, Plans::of(Goal::Sell));
    }

    /** @return list<string> codes */
    private static function codes(Plan $plan): array
    {
        return array_values(array_unique(array_map(fn (Finding $f): string => ($f->blocks ? '!' : '').$f->code,
            DeadlineCheck::of($plan, new DateTimeImmutable('2026-12-01 10:00 UTC')))));
    }

    /** @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>, list<string>}> */
    public static function cases(): iterable
    {
        $deadline = fn (array $with): callable => function (array $p) use ($with): array {
            $p['deadlines'][0] = $with + $p['deadlines'][0];

            return $p;
        };
        $pageOf = fn (array $p, string $role): string => array_values(array_filter($p['pages'],
            fn (array $x): bool => $x['role'] === $role))[0]['id'];
        yield 'all is well' => [fn (array $p): array => $p, []];
        yield 'nothing starts it' => [$deadline(['starts' => []]), ['never-starts']];
        yield 'it waits for an email that is gone' => [$deadline(['starts' => [['kind' => 'click', 'email' => 'gone']]]),
            ['!trigger-gone']];
        yield 'it is over' => [$deadline(['latest' => ['moment' => '2026-11-30T10:00', 'zone' => 'UTC']]), ['deadline-past']];
        $times = fn (array $times, array $deadline = []): callable => function (array $p) use ($times, $deadline): array {
            $p['times'] = array_map(fn (string $m): array => ['moment' => $m, 'zone' => 'Europe/Oslo'], $times);
            $p['deadlines'][0] = $deadline + $p['deadlines'][0];
            $p['emails'] = array_map(fn (array $e): array => ['body' => str_replace('<p>x</p>',
                $p['emails'][count($p['emails']) - 2]['body'],
                $e['body'])] + $e, $p['emails']);

            return $p;
        };
        $everyone = fn (string $m): array => ['duration' => null, 'starts' => [], 'latest' => ['moment' => $m, 'zone' => 'Europe/Oslo']];
        yield 'it runs on after the funnel closes' => [$times(['closes' => '2026-12-20T18:00']), ['deadline-after-close']];
        yield 'it ends with the funnel at the latest' => [$times(['closes' => '2026-12-20T18:00'],
            ['latest' => ['moment' => '2026-12-20T18:00', 'zone' => 'Europe/Oslo']]), []];
        yield 'for everyone, later than the funnel closes' => [$times(['closes' => '2026-12-20T17:59'], $everyone('2026-12-20T18:00')
            + ['offers' => []]), ['offer-unguarded', 'deadline-after-close']];
        yield 'an email that leads to what is not guarded' => [$times(['opens' => '2026-12-19T18:01'], $everyone('2026-12-20T18:00')
            + ['pages' => []]), []];
        yield 'an email that leads to a closed page' => [$times(['opens' => '2026-12-19T18:01'], $everyone('2026-12-20T18:00')),
            ['email-before-open']];
        yield 'an email as the doors open' => [$times(['opens' => '2026-12-19T18:00'], $everyone('2026-12-20T18:00')), []];
        yield 'it guards nothing' => [$deadline(['pages' => [], 'offers' => []]), ['guards-nothing']];
        yield 'it guards a page and an offer that are gone' => [function (array $p): array {
            $p['deadlines'][0]['pages'][] = ['page' => 'gone'];
            $p['deadlines'][0]['offers'][] = 'gone';

            return $p;
        }, ['guards-gone']];
        yield 'it leads to a page that is gone before it starts' => [function (array $p): array {
            $p['deadlines'][0]['pages'][0]['before'] = 'gone';

            return $p;
        }, ['!guards-gone']];
        yield 'those whose time ran out are led nowhere' => [fn (array $p): array => ['ways' => array_values(array_filter($p['ways'],
            fn (array $w): bool => $w['outcome'] !== 'time-ran-out' || $w['page'] !== $pageOf($p, 'checkout')))] + $p, ['!dead-end']];
        yield 'they are led in a circle' => [function (array $p) use ($pageOf): array {
            foreach ($p['ways'] as $i => $way) {
                if ($way['outcome'] === 'time-ran-out') {
                    $p['ways'][$i]['toPage'] = $pageOf($p, $way['page'] === $pageOf($p, 'sales') ? 'checkout' : 'sales');
                }
            }

            return $p;
        }, ['!deadline-circle']];
        yield 'the offer itself is not guarded' => [$deadline(['offers' => []]), ['offer-unguarded']];
        yield 'whoever has not begun can buy' => [function (array $p): array {
            $p['deadlines'][0]['pages'] = array_map(fn (array $g): array => ['page' => $g['page']], $p['deadlines'][0]['pages']);

            return $p;
        }, ['open-before']];
        yield 'an email that is told from a deadline that is gone' => [function (array $p): array {
            $p['emails'][count($p['emails']) - 1]['timing']['deadline'] = 'gone';

            return $p;
        }, ['!by-gone']];
        yield 'an email that warns before it has begun' => [function (array $p): array {
            $p['emails'][count($p['emails']) - 1]['timing']['days'] = -5;

            return $p;
        }, ['warns-before-start']];
        yield 'an email that leads to what is closed by then' => [function (array $p): array {
            $p['deadlines'][0]['starts'] = [['kind' => 'sequence', 'sequence' => 'seq']];
            $p['emails'][count($p['emails']) - 2]['timing'] = ['from' => 'joining', 'days' => 3];

            return $p;
        }, ['email-after-end']];
        yield 'an email that promises everybody the same day' => [function (array $p): array {
            $p['emails'][count($p['emails']) - 2]['body'] .= '<p>It is yours until 12 December.</p>';

            return $p;
        }, ['promise-personal']];
        $countdown = fn (array $block): callable => function (array $p) use ($block, $pageOf): array {
            foreach ($p['pages'] as $i => $page) {
                if ($page['id'] === $pageOf($p, 'sales')) {
                    $p['pages'][$i]['document']['sections'][0]['blocks'][] = ['id' => 'c', 'kind' => 'countdown', 'text' => 'x'] + $block;
                }
            }

            return $p;
        };
        yield 'a countdown to a deadline that is gone' => [$countdown(['until' => '', 'deadline' => 'gone']), ['!countdown-gone']];
        yield 'a countdown that runs beside the deadline' => [$countdown(['until' => '2027-03-12T18:00']), ['countdown-alone']];
        yield 'a countdown of the deadline' => [$countdown(['until' => '', 'deadline' => 'd']), []];
    }

    /**
     * @param  callable(array<string, mixed>): array<string, mixed>  $change
     * @param  list<string>  $codes  with `!` before those that block
     */
    #[DataProvider('cases')]
    public function test_what_would_make_a_deadline_untrue_is_found(callable $change, array $codes): void
    {
        self::assertSame($codes, self::codes(self::plan($change)));
    }

    public function test_an_email_that_names_a_deadline_that_is_gone_or_another_day_than_the_one_for_everyone(): void
    {
        $plan = self::plan(function (array $p): array {
            $p['deadlines'][0] = ['duration' => null, 'latest' => ['moment' => '2026-12-20T18:00', 'zone' => 'UTC']] + $p['deadlines'][0];
            unset($p['deadlines'][0]['duration']);

            return $p;
        });
        $codes = fn (string $body): array => array_map(fn (Finding $f): string => $f->code, EmailCheck::of('x', 'x', $body,
            EmailFacts::ofPlan($plan, new DateTimeImmutable('2026-12-01 UTC'), postalAddress: 'x'), 'email', 'e'));

        self::assertSame([], $codes('<p>Until 20 December, that is {{deadline_d}}.</p>'));
        self::assertSame(['deadline-differs'], $codes('<p>Until 21 December.</p>'));
        self::assertSame(['deadline-gone'], $codes('<p>Until {{deadline_gone}}.</p>'));
        self::assertInstanceOf(PagePlan::class, $plan->pageOf(PageRole::Sales));
    }
}
