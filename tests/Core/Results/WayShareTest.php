<?php

declare(strict_types=1);

namespace Tests\Core\Results;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Results\WayShare;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class WayShareTest extends TestCase
{
    /** Eighty were on the page and forty did it; of thirty whose session is over twenty came and twelve stayed. */
    #[TestWith([Outcome::Joined, false, 40, 80])]
    #[TestWith([Outcome::Confirmed, false, 40, 80])]
    #[TestWith([Outcome::Chose, false, 40, 80])]
    #[TestWith([Outcome::Bought, false, 40, 80])]
    #[TestWith([Outcome::Declined, false, 40, 80])]
    #[TestWith([Outcome::TimeRanOut, false, 40, 80])]
    #[TestWith([Outcome::Attended, false, 20, 30])]
    #[TestWith([Outcome::Attended, true, 12, 20])]
    #[TestWith([Outcome::Missed, false, 10, 30])]
    #[TestWith([Outcome::Missed, true, 10, 30])]
    public function test_it_is_of_those_who_could(Outcome $outcome, bool $fromRoom, int $taken, int $of): void
    {
        self::assertSame(['taken' => $taken, 'of' => $of], WayShare::of($outcome, $fromRoom, 80, 40, 30, 20, 12)->toArray());
    }
}
