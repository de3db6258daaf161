<?php

declare(strict_types=1);

namespace Tests\Core\Webinars;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Shape;
use Lantern\Core\Webinars\Schedule;
use Lantern\Core\Webinars\SessionPick;
use Lantern\Core\Webinars\Webinar;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Whether a session that somebody chooses is theirs. */
final class SessionPickTest extends TestCase
{
    private const KEY = 's202703091800';

    /** @return iterable<string, array{string, string, 2?: array<string, int>, 3?: list<string>, 4?: string}> */
    public static function keys(): iterable
    {
        yield 'one that is offered' => ['2027-03-09 18:00 UTC', self::KEY];
        yield 'the last place' => ['2027-03-09 18:00 UTC', self::KEY, [self::KEY => 1]];
        yield 'no place left' => ['waits', self::KEY, [self::KEY => 2]];
        yield 'full is another one' => ['2027-03-09 18:00 UTC', self::KEY, ['s202703101800' => 2]];
        yield 'called off' => ['nothing', self::KEY, [], [self::KEY]];
        yield 'a moment at which there is none' => ['nothing', 's202703091900'];
        yield 'further ahead than is offered' => ['nothing', 's202705091800'];
        yield 'no key' => ['nothing', 'soon'];
        yield 'begun' => ['nothing', self::KEY, [], [], '2027-03-09 18:00'];
        yield 'just before' => ['2027-03-09 18:00 UTC', self::KEY, [], [], '2027-03-09 17:59'];
    }

    /**
     * @param  array<string, int>  $taken
     * @param  list<string>  $calledOff
     */
    #[DataProvider('keys')]
    public function test_the_place_they_have(string $expected, string $key, array $taken = [], array $calledOff = [],
        string $now = '2027-03-01 10:00'): void
    {
        $webinar = new Webinar('w', 'Webinar', 'First melody', Schedule::fromShape(Shape::of(['kind' => 'dates', 'zone' => 'UTC',
            'dates' => ['2027-03-09T18:00', '2027-05-09T18:00'], 'ahead' => 30, 'places' => 2])));
        $picked = SessionPick::of($webinar, $key, new DateTimeZone('Asia/Kathmandu'), $taken, $calledOff,
            new DateTimeImmutable("{$now} UTC"));

        self::assertSame($expected, match (true) {
            $picked === null => 'nothing',
            $picked->waiting => 'waits',
            default => $picked->session->startsAt->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d H:i T'),
        });
        self::assertSame($picked === null ? null : 'Asia/Kathmandu', $picked?->session->zone->getName(), 'told on their own clock');
    }

    /** @return iterable<string, array{bool, bool, bool, bool}> may it; has one, theirs, taken here */
    public static function moves(): iterable
    {
        yield 'the first' => [true, false, false, false];
        yield 'another one, by a link of theirs' => [true, true, true, false];
        yield 'another one, where the first was taken' => [true, true, false, true];
        yield 'another one, typed by anybody' => [false, true, false, false];
    }

    #[DataProvider('moves')]
    public function test_who_may_choose_another_one(bool $may, bool $has, bool $theirs, bool $here): void
    {
        self::assertSame($may, SessionPick::mayMove($has, $theirs, $here));
    }
}
