<?php

declare(strict_types=1);

namespace Tests\Core\Agenda;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Agenda\PersonAgenda;
use Lantern\Core\Agenda\PersonMoment;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\People\State\PlannedEmail;
use Lantern\Core\Webinars\RegisteredSession;
use Lantern\Core\Webinars\ReplayWindow;
use Lantern\Core\Webinars\Session;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is due next for one person. */
final class PersonAgendaTest extends TestCase
{
    private static function at(string $moment): DateTimeImmutable
    {
        return new DateTimeImmutable("2026-12-{$moment} UTC");
    }

    private static function session(string $key = 's1', bool $waiting = false, ?string $replayEnds = '05 20:00'): RegisteredSession
    {
        return new RegisteredSession('w', new Session($key, self::at('02 18:00'), self::at('02 19:00'), new DateTimeZone('UTC')),
            self::at('01 10:00'), $waiting, new ReplayWindow(self::at('02 20:00'), $replayEnds === null ? null : self::at($replayEnds)));
    }

    /** @return iterable<string, array{list<string>, PersonState}> */
    public static function people(): iterable
    {
        $nobody = PersonState::unknown(new DateTimeZone('UTC'));
        $email = fn (string $id, string $due, MessageState $state = MessageState::Waiting): PlannedEmail => new PlannedEmail($id, 'q',
            self::at($due), $state);
        yield 'nobody' => [[], $nobody];
        yield 'a deadline' => [['04 20:00 DeadlineEnds d'], $nobody->withDeadline('d', new Run(self::at('01 09:00'),
            self::at('04 20:00')))];
        yield 'one that has ended' => [[], $nobody->withDeadline('d', new Run(self::at('01 09:00'), self::at('01 12:00')))];
        yield 'one that was closed' => [[], $nobody->withDeadline('d', new Run(self::at('01 09:00'), self::at('04 20:00'), closed: true))];
        yield 'a session and its replay' => [['02 18:00 SessionStarts w', '02 19:00 SessionEnds w', '02 20:00 ReplayOpens w',
            '05 20:00 ReplayEnds w'], $nobody->withRegistration(self::session())];
        yield 'a replay without an end' => [['02 18:00 SessionStarts w', '02 19:00 SessionEnds w', '02 20:00 ReplayOpens w'],
            $nobody->withRegistration(self::session(replayEnds: null))];
        yield 'whoever waits for a place' => [[], $nobody->withRegistration(self::session(waiting: true))];
        yield 'whenever they like: nobody knows when' => [['02 20:00 ReplayOpens w', '05 20:00 ReplayEnds w'],
            $nobody->withRegistration(self::session('d'))];
        yield 'emails that wait' => [['01 12:00 Email late', '03 09:00 Email soon'], $nobody->withEmail($email('soon', '03 09:00'))
            ->withEmail($email('late', '01 08:00'))->withEmail($email('sent', '01 09:00', MessageState::Sent))
            ->withEmail($email('left-out', '04 09:00', MessageState::Cancelled))];
        yield 'at one moment the email comes last' => [['04 20:00 DeadlineEnds d', '04 20:00 Email told'], $nobody
            ->withEmail($email('told', '04 20:00'))->withDeadline('d', new Run(self::at('01 09:00'), self::at('04 20:00')))];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('people')]
    public function test_what_is_due(array $expected, PersonState $person): void
    {
        self::assertSame($expected, array_map(fn (PersonMoment $m): string => $m->at->format('d H:i')." {$m->kind->name} {$m->of}",
            PersonAgenda::of($person, self::at('01 12:00'))));
    }
}
