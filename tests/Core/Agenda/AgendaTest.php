<?php

declare(strict_types=1);

namespace Tests\Core\Agenda;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Agenda\Agenda;
use Lantern\Core\Agenda\DailyMoment;
use Lantern\Core\Agenda\NextMoment;
use Lantern\Core\Agenda\Task;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is due, in which order, and when to look again. */
final class AgendaTest extends TestCase
{
    private static function at(string $moment): DateTimeImmutable
    {
        return new DateTimeImmutable("{$moment} UTC");
    }

    /** @return iterable<string, array{list<string>, string|null, array<string, string|null>}> due, next, and the moments by task */
    public static function agendas(): iterable
    {
        yield 'nothing at all' => [[], null, []];
        yield 'nothing yet' => [[], '12:01', ['Messages' => '12:01', 'Receipts' => '12:30']];
        yield 'at the very moment' => [['Messages'], null, ['Messages' => '12:00']];
        yield 'what others follow from comes first, however late each is' => [['Deadlines', 'Sessions', 'Messages'], '13:00',
            ['Messages' => '09:00', 'Sessions' => '11:00', 'Deadlines' => '11:59', 'Broadcasts' => '13:00']];
        yield 'what has nothing to do is not asked' => [['Payments'], null, ['Messages' => null, 'Payments' => '11:00']];
    }

    /**
     * @param  list<string>  $due
     * @param  array<string, string|null>  $moments
     */
    #[DataProvider('agendas')]
    public function test_what_is_due(array $due, ?string $next, array $moments): void
    {
        $list = [];
        foreach ($moments as $task => $at) {
            $tasks = array_values(array_filter(Task::cases(), fn (Task $t): bool => $t->name === $task));
            $list[] = $at === null ? null : new NextMoment($tasks[0], self::at("2026-12-01 {$at}"));
        }
        $agenda = new Agenda($list);
        $now = self::at('2026-12-01 12:00');

        self::assertSame($due, array_map(fn (Task $t): string => $t->name, $agenda->due($now)));
        self::assertSame($next, $agenda->next($now)?->format('H:i'));
    }

    public function test_moments_stand_in_their_order(): void
    {
        $agenda = new Agenda([new NextMoment(Task::Messages, self::at('2026-12-01 12:00')),
            new NextMoment(Task::Opening, self::at('2026-12-01 12:00')), new NextMoment(Task::Receipts, self::at('2026-12-01 11:00'))]);

        self::assertSame(['Receipts', 'Opening', 'Messages'], array_map(fn (NextMoment $m): string => $m->task->name, $agenda->moments));
    }

    /** @return iterable<string, array{string|null, string, string, string|null, 4?: string}> due, next; now, last, zone */
    public static function days(): iterable
    {
        yield 'before the hour' => [null, '2026-06-01 06:00', '2026-06-01 05:59', null];
        yield 'at the hour' => ['2026-06-01 06:00', '2026-06-01 06:00', '2026-06-01 06:00', null];
        yield 'done today' => [null, '2026-06-02 06:00', '2026-06-01 07:00', '2026-06-01 06:00'];
        yield 'done yesterday' => ['2026-06-01 06:00', '2026-06-01 06:00', '2026-06-01 07:00', '2026-05-31 06:00'];
        yield 'after a week' => ['2026-06-08 06:00', '2026-06-08 06:00', '2026-06-08 20:00', '2026-06-01 06:00'];
        yield 'before the spring night' => [null, '2026-03-29 06:00', '2026-03-28 07:30', '2026-03-28 07:00'];
        yield 'after the autumn night' => [null, '2026-10-25 07:00', '2026-10-24 07:00', '2026-10-24 06:00'];
        yield 'where it is tomorrow already' => ['2026-06-01 18:00', '2026-06-01 18:00', '2026-06-01 20:00', '2026-06-01 02:00',
            'Pacific/Kiritimati'];
    }

    #[DataProvider('days')]
    public function test_something_that_is_done_once_a_day(?string $due, string $next, string $now, ?string $last,
        string $zone = 'Europe/Berlin'): void
    {
        $where = new DateTimeZone($zone);
        $done = $last === null ? null : self::at($last);
        $utc = fn (?DateTimeImmutable $at): ?string => $at?->setTimezone(new DateTimeZone('UTC'))->format('Y-m-d H:i');

        self::assertSame($due, $utc(DailyMoment::due(8, $done, self::at($now), $where)));
        self::assertSame($next, $utc(DailyMoment::next(8, $done, self::at($now), $where)));
    }
}
