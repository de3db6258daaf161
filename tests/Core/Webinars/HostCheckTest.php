<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\HostActs;
use Lantern\Core\Webinars\HostCheck;
use Lantern\Core\Webinars\OfferMoment;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\Session;
use Lantern\Core\Webinars\SessionRoom;
use Lantern\Core\Webinars\Webinar;
use Lantern\Core\Webinars\WebinarMode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the host of an hour from 18:00 may do with it. */
final class HostCheckTest extends TestCase
{
    private static function at(string $time): DateTimeImmutable
    {
        return new DateTimeImmutable("2027-03-09 {$time} UTC");
    }

    private static function session(string $key = 's1', string $start = '18:00'): Session
    {
        return new Session($key, self::at($start), self::at($start)->modify('+1 hour'), new DateTimeZone('UTC'));
    }

    private static function room(HostActs $host, ?int $second = null, bool $offer = true): SessionRoom
    {
        $webinar = new Webinar('w', 'Webinar', 'First melody', Schedule::fromShape(Shape::of(['kind' => 'dates', 'zone' => 'UTC',
            'dates' => ['2027-03-09T18:00'], 'places' => 2])), WebinarMode::Live, offer: $offer ? new OfferMoment('o', $second) : null);

        return SessionRoom::of($webinar, self::session(), $host, 3600);
    }

    /** @return iterable<string, array{string, string|null}> a word of the sentence; '' where it may be done */
    public static function acts(): iterable
    {
        [$fresh, $on, $over] = [new HostActs, new HostActs(self::at('18:00')), new HostActs(self::at('18:00'), self::at('18:50'))];
        yield 'begin, an hour before' => ['', HostCheck::begin(self::session(), $fresh, self::at('17:00'))];
        yield 'begin, earlier' => ['an hour before', HostCheck::begin(self::session(), $fresh, self::at('16:59:59'))];
        yield 'begin twice' => ['begun already', HostCheck::begin(self::session(), $on, self::at('18:10'))];
        yield 'end' => ['', HostCheck::end($on)];
        yield 'end what has not begun' => ['not begun', HostCheck::end($fresh)];
        yield 'end twice' => ['ended already', HostCheck::end($over)];
        yield 'reopen within ten minutes' => ['', HostCheck::reopen($over, false, self::at('19:00'))];
        yield 'reopen later' => ['more than 10 minutes', HostCheck::reopen($over, false, self::at('19:00:01'))];
        yield 'reopen what goes on' => ['not ended', HostCheck::reopen($on, false, self::at('18:51'))];
        yield 'reopen what is settled' => ['settled already', HostCheck::reopen($over, true, self::at('18:51'))];
        yield 'show the offer' => ['', HostCheck::offer(self::room($on), self::at('18:30'))];
        yield 'show it before' => ['while the session is on', HostCheck::offer(self::room($fresh), self::at('17:50'))];
        yield 'show it afterwards' => ['while the session is on', HostCheck::offer(self::room($over), self::at('18:50'))];
        yield 'show what there is not' => ['no offer', HostCheck::offer(self::room($on, null, false), self::at('18:30'))];
        yield 'cancel' => ['', HostCheck::cancel(self::session(), $fresh, self::at('19:00'))];
        yield 'cancel while it is on, however late' => ['', HostCheck::cancel(self::session(), $on, self::at('19:30'))];
        yield 'cancel what nobody began' => ['over', HostCheck::cancel(self::session(), $fresh, self::at('19:00:01'))];
        yield 'cancel what has ended' => ['over', HostCheck::cancel(self::session(), $over, self::at('18:51'))];
        yield 'move everybody' => ['', HostCheck::move(self::session(), self::session('s2', '20:00'), self::at('17:59'))];
        yield 'move to none' => ['another session', HostCheck::move(self::session(), null, self::at('17:59'))];
        yield 'move to the same' => ['another session', HostCheck::move(self::session(), self::session(), self::at('17:59'))];
        yield 'move to one that has begun' => ['another session', HostCheck::move(self::session(), self::session('s2', '17:00'),
            self::at('17:00'))];
        yield 'move from one that has begun' => ['has begun', HostCheck::move(self::session(), self::session('s2', '20:00'),
            self::at('18:00'))];
    }

    #[DataProvider('acts')]
    public function test_what_may_be_done(string $word, ?string $refusal): void
    {
        $word === '' ? self::assertNull($refusal) : self::assertStringContainsString($word, (string) $refusal);
    }

    public function test_the_second_at_which_an_offer_appears(): void
    {
        $on = new HostActs(self::at('18:00'));
        $second = fn (HostActs $host, ?int $planned, string $now): ?int => HostCheck::offerSecond(self::room($host, $planned), $host,
            self::at($now));

        self::assertSame(600, $second($on, null, '18:10'));
        self::assertSame(600, $second($on, 2700, '18:10'), 'before its own moment');
        self::assertNull($second($on, 600, '18:10'), 'it has appeared by itself');
        self::assertSame(300, $second(new HostActs(self::at('18:00'), offerSecond: 300), 2700, '18:10'), 'shown again after it was hidden');
    }

    public function test_the_offer_is_in_sight_from_its_second_until_the_end(): void
    {
        $shows = fn (string $now, HostActs $host): bool => self::room($host, 600)->showsOffer(self::at($now));
        $on = new HostActs(self::at('18:00'));

        self::assertSame([false, true, false], [$shows('18:09:59', $on), $shows('18:10', $on),
            $shows('18:10', new HostActs(self::at('18:00'), offerHidden: true))]);
        self::assertFalse($shows('18:50', new HostActs(self::at('18:00'), self::at('18:50'))));
        self::assertFalse(self::room($on, null)->showsOffer(self::at('18:10')));
    }

    public function test_who_waits_has_a_place_while_there_is_one_and_it_has_not_begun(): void
    {
        $webinar = self::room(new HostActs)->webinar;
        $has = fn (int $taken, string $now): bool => HostCheck::hasPlace($webinar, self::session(), $taken, self::at($now));

        self::assertSame([true, false, false], [$has(1, '17:59:59'), $has(2, '17:59:59'), $has(1, '18:00')]);
        $endless = new Webinar('w', 'Webinar', 'x', Schedule::fromShape(Shape::of(['kind' => 'dates', 'zone' => 'UTC',
            'dates' => ['2027-03-09T18:00']])));
        self::assertTrue(HostCheck::hasPlace($endless, self::session(), 9000, self::at('17:00')));
    }
}
