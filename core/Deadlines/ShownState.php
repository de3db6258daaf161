<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;

/** The state of its deadlines in which an owner looks at a page. */
enum ShownState: string
{
    case NotStarted = 'not-started';
    case TwoDays = 'two-days';
    case NinetySeconds = 'ninety-seconds';
    case Over = 'over';

    public function label(): string
    {
        return match ($this) {
            self::NotStarted => 'Before it starts',
            self::TwoDays => '2 days left',
            self::NinetySeconds => '90 seconds left',
            self::Over => 'Over',
        };
    }

    public function run(DateTimeImmutable $now): ?Run
    {
        return match ($this) {
            self::NotStarted => null,
            self::TwoDays => new Run($now->modify('-1 day'), $now->modify('+2 days')),
            self::NinetySeconds => new Run($now->modify('-1 day'), $now->modify('+90 seconds')),
            self::Over => new Run($now->modify('-2 days'), $now->modify('-1 day'), closed: true),
        };
    }

    public function state(DateTimeImmutable $now, Deadline $deadline): DeadlineState
    {
        return $this->run($now)?->state($now, $deadline->grace, $deadline->warning->minutes) ?? DeadlineState::NotStarted;
    }
}
