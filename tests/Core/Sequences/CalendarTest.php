<?php

declare(strict_types=1);

namespace Tests\Core\Sequences;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Results\Days;
use Lantern\Core\Sequences\Delay;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What must hold for every delay, whatever the zone and whatever the clocks do there. */
final class CalendarTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function zones(): iterable
    {
        // Clocks that change by an hour and by half of one, at night and at midnight, north and south, and never.
        foreach (['UTC', 'Europe/Berlin', 'America/New_York', 'America/Santiago', 'Australia/Lord_Howe', 'Australia/Adelaide',
            'Asia/Kolkata', 'Asia/Beirut', 'Africa/Cairo',
            'America/Havana', 'Pacific/Chatham', 'Pacific/Kiritimati', 'Pacific/Pago_Pago', 'Asia/Kathmandu', 'Europe/London'] as $zone) {
            yield $zone => [$zone];
        }
    }

    #[DataProvider('zones')]
    public function test_days_are_days_on_the_calendar_all_year_round(string $name): void
    {
        $zone = new DateTimeZone($name);
        $utc = new DateTimeZone('UTC');
        for ($i = 0; $i < 366; $i++) {
            $joined = (new DateTimeImmutable('2026-01-01 00:17:23.456', $utc))->modify('+'.($i * 1441 * 60 + $i * 977).' seconds');
            foreach ([Delay::days(1), Delay::days(3, 2), Delay::days(7, 9), Delay::days(30, 0)] as $delay) {
                $due = $delay->from($joined, $zone);
                $local = $due->setTimezone($zone);
                $wanted = (new DateTimeImmutable(Days::of($joined, $zone), $utc))->modify("+{$delay->days} days")->format('Y-m-d');

                self::assertSame($wanted, $local->format('Y-m-d'), "the right date, joined {$joined->format('c')}");
                $hour = $delay->hour === null ? $joined->setTimezone($zone)->format('H:i') : sprintf('%02d:00', $delay->hour);
                // Only a time that does not exist on that day may move, and then forward and by an hour at most.
                if ($local->format('H:i') !== $hour) {
                    self::assertSame([], $this->momentsAt($wanted, $hour, $zone), "{$hour} exists on {$wanted} in {$name}");
                    self::assertGreaterThan($hour, $local->format('H:i'));
                } else {
                    self::assertSame($this->momentsAt($wanted, $hour, $zone)[0], intdiv($due->getTimestamp(), 60) * 60,
                        'the first such moment');
                }
                self::assertGreaterThan($joined, $due);
            }
        }
    }

    /**
     * @return list<int> all moments of that day at which the clocks on the wall show that time, found by looking at each minute around it
     */
    private function momentsAt(string $day, string $hour, DateTimeZone $zone): array
    {
        $guess = (new DateTimeImmutable("{$day} {$hour}", new DateTimeZone('UTC')))->getTimestamp();
        $found = [];
        foreach (array_unique([...array_map(fn (array $t): int => (int) $t['offset'],
            $zone->getTransitions($guess - 172_800, $guess + 172_800) ?: [['offset' => 0]]),
            $zone->getOffset(new DateTimeImmutable("@{$guess}"))]) as $offset) {
            $moment = $guess - $offset;
            if ((new DateTimeImmutable("@{$moment}"))->setTimezone($zone)->format('Y-m-d H:i') === "{$day} {$hour}") {
                $found[] = $moment;
            }
        }
        sort($found);

        return $found;
    }

    #[DataProvider('zones')]
    public function test_the_last_days_are_each_there_once(string $name): void
    {
        $zone = new DateTimeZone($name);
        for ($i = 0; $i < 120; $i++) {
            $now = (new DateTimeImmutable('2026-01-01 00:00:00', new DateTimeZone('UTC')))
                ->modify('+'.($i * 3 * 86_400 + $i * 1800).' seconds');
            $days = Days::last(28, $now, $zone);

            self::assertCount(28, array_unique($days));
            self::assertSame(Days::of($now, $zone), end($days));
            $sorted = $days;
            sort($sorted);
            self::assertSame($sorted, $days);
        }
    }
}
