<?php

declare(strict_types=1);

namespace Tests\Core\Domains;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Domains\DnsRecord;
use Lantern\Core\Domains\DomainFinding;
use Lantern\Core\Domains\DomainName;
use Lantern\Core\Domains\DomainState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whether a domain leads to us: the token decides, the addresses say why not. */
final class DomainFindingTest extends TestCase
{
    private const OURS = ['11.22.33.44', '2A01:04F8::0001'];

    /** @return iterable<string, array{list<string>, list<string>, bool, bool|null, DomainFinding}> */
    public static function looks(): iterable
    {
        yield 'nobody knows it' => [[], self::OURS, true, null, DomainFinding::NoRecord];
        yield 'here' => [['11.22.33.44'], self::OURS, true, true, DomainFinding::Works];
        yield 'here, written another way' => [['11.22.33.44', '2a01:4f8::1'], self::OURS, true, true, DomainFinding::Works];
        yield 'here, but for some' => [['11.22.33.44', '99.1.1.1'], self::OURS, true, true, DomainFinding::PartlyElsewhere];
        yield 'by a proxy in front' => [['99.1.1.1'], self::OURS, true, true, DomainFinding::Works];
        yield 'our own addresses are not known' => [['99.1.1.1'], [], true, true, DomainFinding::Works];
        yield 'elsewhere, where nothing answers' => [['99.1.1.1'], self::OURS, true, null, DomainFinding::Elsewhere];
        yield 'elsewhere, where something answers' => [['99.1.1.1'], self::OURS, true, false, DomainFinding::Elsewhere];
        yield 'into a private network' => [['10.0.0.1'], self::OURS, false, null, DomainFinding::Private];
        yield 'here, and nothing answers' => [['11.22.33.44'], self::OURS, true, null, DomainFinding::NoAnswer];
        yield 'here, and something else answers' => [['11.22.33.44'], self::OURS, true, false, DomainFinding::OtherAnswer];
        yield 'somewhere, and something else answers' => [['99.1.1.1'], [], true, false, DomainFinding::OtherAnswer];
    }

    /**
     * @param  list<string>  $found
     * @param  list<string>  $ours
     */
    #[DataProvider('looks')]
    public function test_what_a_look_finds(array $found, array $ours, bool $mayBeAsked, ?bool $answered, DomainFinding $finding): void
    {
        self::assertSame($finding, DomainFinding::of($found, $ours, $mayBeAsked, $answered));
        self::assertSame($answered === true, $finding->works());
        self::assertMatchesRegularExpression('/^[A-Z][^{}]+\.$/', $finding->sentence($found, $ours));
    }

    public function test_how_it_stands_follows_from_the_last_look_and_whether_it_ever_worked(): void
    {
        $states = array_map(fn (?DomainFinding $f): array => [DomainState::of($f, false), DomainState::of($f, true)],
            [null, ...DomainFinding::cases()]);
        $other = [DomainState::Waiting, DomainState::Trouble];
        $works = [DomainState::Working, DomainState::Working];
        self::assertSame([$other, $works, $works, $other, $other, $other, $other, $other], $states);
        self::assertSame(['working'], array_values(array_map(fn (DomainState $s): string => $s->value,
            array_filter(DomainState::cases(), fn (DomainState $s): bool => $s->canBePrimary()))));
    }

    public function test_what_is_set_up_is_looked_at_often_and_at_some_time_no_more(): void
    {
        $added = new DateTimeImmutable('2027-03-27 12:00', new DateTimeZone('UTC'));
        $minutes = function (DomainState $state, int $hours) use ($added): ?int {
            $looked = $added->modify("+{$hours} hours");
            $next = $state->nextLook($added, $looked);

            return $next === null ? null : intdiv($next->getTimestamp() - $looked->getTimestamp(), 60);
        };
        self::assertSame([10, 10, 360, 360, null], array_map(fn (int $h): ?int => $minutes(DomainState::Waiting, $h),
            [0, 23, 24, 719, 720]));
        self::assertSame([1440, 60], [$minutes(DomainState::Working, 9000), $minutes(DomainState::Trouble, 9000)]);
        self::assertSame($added, DomainState::Waiting->nextLook($added, null), 'at once');
        self::assertSame([true, false, true, false], [DomainState::Waiting->isLookDue($added, null, $added),
            DomainState::Waiting->isLookDue($added, $added, $added->modify('+599 seconds')),
            DomainState::Waiting->isLookDue($added, $added, $added->modify('+600 seconds')),
            DomainState::Waiting->isLookDue($added, $added->modify('+800 hours'), $added->modify('+9000 hours'))]);
    }

    public function test_the_records_that_lead_a_domain_here(): void
    {
        $leading = fn (string $name, array $addresses, string $site): array => array_map(
            fn (DnsRecord $r): string => "{$r->name} {$r->type} {$r->value}",
            array_filter([...($all = DnsRecord::leading(DomainName::of($name), $addresses, $site))['addresses'], $all['alias']]));
        self::assertSame(['www.cello.example A 11.22.33.44', 'www.cello.example AAAA 2a01:4f8::1',
            'www.cello.example CNAME pages.example'], $leading('www.cello.example', [...self::OURS, '11.22.33.44', 'rubbish'],
                'pages.example'));
        self::assertSame(['cello.example A 11.22.33.44'], $leading('cello.example', ['11.22.33.44'], 'pages.example'),
            'the top of a domain stands for no other name');
        self::assertSame([], $leading('www.cello.example', [], '127.0.0.1'), 'an address is no name to stand for');
    }
}
