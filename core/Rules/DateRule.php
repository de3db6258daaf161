<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * A moment of the person (`joined`, `active`, or a field that holds a date) is before or after a day, or within or longer
 * ago than so many days. A day begins at midnight in the owner's zone; so many days are whole days of 24 hours back from
 * now. Of several days known in one field it is enough that one is so. What is not known is neither before nor after anything.
 */
final readonly class DateRule extends Rule
{
    public function __construct(public string $date, public DateComparison $compare, public string $day = '', public int $days = 0)
    {
    }

    public static function kind(): string
    {
        return 'date';
    }

    public static function label(): string
    {
        return 'A date';
    }

    public static function fields(): array
    {
        $within = DateComparison::Within->value;
        $longer = DateComparison::Longer->value;

        return [
            RuleField::of('date', 'date', 'Date', words: '“{}” is')
                ->with([['They joined', 'joined', 'joined'], ['They were last active', 'active', 'was last active']]),
            RuleField::choice('How it is compared', [
                ['within the last', ['compare' => $within]],
                ['more than … ago', ['compare' => $longer], 'more than'],
                ['before', ['compare' => DateComparison::Before->value]],
                ['after', ['compare' => DateComparison::After->value]],
            ]),
            RuleField::of('number', 'days', 'days', words: '{} days', one: 'day')->when('compare', [$within]),
            RuleField::of('number', 'days', 'days', words: '{} days ago', one: 'a day ago')->when('compare', [$longer]),
            RuleField::of('day', 'day', 'Day', words: '{}')->when('compare', [DateComparison::Before->value, DateComparison::After->value]),
        ];
    }

    public static function fresh(): array
    {
        return ['date' => 'joined', 'compare' => DateComparison::Within->value, 'days' => 30];
    }

    public static function fromShape(Shape $shape): self
    {
        $date = $shape->text('date', 60, '');
        if (preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $date) !== 1) {
            throw Invalid::at($shape->path('date'), 'Choose a date.');
        }
        $compare = DateComparison::tryFrom($shape->text('compare', 20, ''))
            ?? throw Invalid::at($shape->path('compare'), 'Choose how the date is compared.');
        $day = trim($shape->text('day', 300, ''));
        $days = $shape->integer('days', 0, 3650, 0);
        if ($compare->isOfDays() ? $days < 1 : ! Moments::isDay($day)) {
            throw Invalid::at($shape->path('day'), $compare->isOfDays() ? 'Say how many days.' : 'Choose a day.');
        }

        return $compare->isOfDays() ? new self($date, $compare, days: $days) : new self($date, $compare, $day);
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        $moments = match ($this->date) {
            'joined' => [$person->joined],
            'active' => [$person->active],
            // A day without an hour begins when it begins where the owner is.
            default => array_map(fn (string $day): DateTimeImmutable => Moments::begin($day, $person->ownerZone),
                in_array($this->date, PersonState::OF_PERSON, true) ? []
                    : array_filter($person->values($this->date), Moments::isDay(...))),
        };
        [$operator, $bound] = $this->bound($now, $person->ownerZone);

        return array_filter($moments, fn (?DateTimeImmutable $at): bool => $at !== null
            && ($operator === '<' ? $at < $bound : $at >= $bound)) !== [];
    }

    /** @return array{'<'|'>=', DateTimeImmutable} how the moment must stand to which other one */
    public function bound(DateTimeImmutable $now, DateTimeZone $zone): array
    {
        return match ($this->compare) {
            DateComparison::Before => ['<', Moments::begin($this->day, $zone)],
            DateComparison::After => ['>=', Moments::begin(Moments::nextDay($this->day), $zone)],
            DateComparison::Within => ['>=', Moments::back($now, $this->days)],
            DateComparison::Longer => ['<', Moments::back($now, $this->days)],
        };
    }

    protected function values(): array
    {
        return ['date' => $this->date, 'compare' => $this->compare->value] + ($this->day === '' ? [] : ['day' => $this->day])
            + ($this->days === 0 ? [] : ['days' => $this->days]);
    }
}
