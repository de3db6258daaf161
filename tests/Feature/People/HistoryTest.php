<?php

declare(strict_types=1);

namespace Tests\Feature\People;

use App\People\Privacy\History;
use Lantern\Core\Events\EventType;
use Tests\TestCase;

/** Whatever happens is told in somebody's history, in words that the Studio has for it. */
final class HistoryTest extends TestCase
{
    /** The Studio's tests look for words for each of these. */
    private const FILE = __DIR__.'/../../fixtures/history.json';

    public function test_every_event_is_told_by_somebody(): void
    {
        $written = json_encode(History::kinds(), JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR)."\n";
        if (getenv('KEEP') === '1') {
            file_put_contents(self::FILE, $written);
        }

        // Entering a sequence is kept as an enrolment: what it brings is told by its emails. What is pressed and read is told of all
        // people together, by the results; which pages of a guide somebody read is told by what they read of it;
        // of a deadline its beginning and its end are told.
        self::assertSame([], array_values(array_diff(array_map(fn (EventType $t): string => $t->value, EventType::cases()),
            [...History::kinds(), EventType::Entered->value, EventType::Pressed->value, EventType::Read->value,
                EventType::GuideRead->value, EventType::DeadlineBegan->value, EventType::DeadlineNear->value])));
        self::assertSame(count(History::kinds()), count(array_unique(History::kinds())), 'each by one');
        self::assertSame(file_get_contents(self::FILE), $written, 'KEEP=1 vendor/bin/phpunit tests/Feature/People/HistoryTest.php');
    }
}
