<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * One rule about a person. By `what`:
 *
 * - `field`: the field `of` `is` equal, other, contains, without, begins, filled, empty, more or less than `value`;
 * - `tag`: `is` has or not the tag `value`;
 * - `did`: `is` has or not done `did` with the page, funnel or email `of` (empty for any) `within` so many days (0 for ever);
 * - `date`: the moment `of` (joined, active) or a date field `is` before or after the day `value`, or within or longer ago than `within` days;
 * - `standing`: `is` equal or other than `value`.
 *
 * Words are compared without regard to capitals. A day begins at midnight in the owner's zone; so many days are whole
 * days of 24 hours back from now. What is not known is neither more, less, before nor after anything.
 */
final readonly class Rule implements Condition
{
    public const FIELD_IS = ['equal', 'other', 'contains', 'without', 'begins', 'filled', 'empty', 'more', 'less'];

    public const DATE_IS = ['before', 'after', 'within', 'longer'];

    private const DAY = '/^\d{4}-\d{2}-\d{2}$/D';

    public function __construct(
        public string $what,
        public string $is,
        public string $of = '',
        public string $value = '',
        public int $within = 0,
        public ?Did $did = null,
    ) {
    }

    /** @throws Invalid with one sentence that says what the rule still needs */
    public static function fromShape(Shape $shape): self
    {
        $what = $shape->text('what', 20);
        $rule = new self($what, $shape->text('is', 20), $shape->text('of', 60, ''), trim($shape->text('value', 300, '')),
            $shape->integer('within', 0, 3650, 0), $what === 'did' ? $shape->choice('did', Did::class) : null);
        $wrong = match ($what) {
            'field' => match (true) {
                preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $rule->of) !== 1 => 'Choose a field.',
                ! in_array($rule->is, self::FIELD_IS, true) => 'Choose how the field is compared.',
                in_array($rule->is, ['more', 'less'], true) && ! is_numeric($rule->value) => 'More and less need a number.',
                $rule->value === '' && ! in_array($rule->is, ['filled', 'empty'], true) => 'Say what the field is compared with.',
                default => '',
            },
            'tag' => $rule->value === '' ? 'Choose a tag.' : self::yesOrNo($rule),
            'did' => self::yesOrNo($rule),
            'date' => match (true) {
                preg_match('/^[a-z][a-z0-9_]{0,39}$/D', $rule->of) !== 1 => 'Choose a date.',
                ! in_array($rule->is, self::DATE_IS, true) => 'Choose how the date is compared.',
                in_array($rule->is, ['before', 'after'], true) && ! self::isDay($rule->value) => 'Choose a day.',
                in_array($rule->is, ['within', 'longer'], true) && $rule->within < 1 => 'Say how many days.',
                default => '',
            },
            'standing' => match (true) {
                Standing::tryFrom($rule->value) === null => 'Choose how they stand to your list.',
                ! in_array($rule->is, ['equal', 'other'], true) => 'Choose whether it is so or not.',
                default => '',
            },
            default => 'This rule is of a kind that is not known here.',
        };

        return $wrong === '' ? $rule : throw Invalid::at($shape->path('value'), $wrong);
    }

    private static function yesOrNo(self $rule): string
    {
        return in_array($rule->is, ['has', 'not'], true) ? '' : 'Choose whether it is so or not.';
    }

    private static function isDay(string $day): bool
    {
        return preg_match(self::DAY, $day) === 1 && checkdate((int) substr($day, 5, 2), (int) substr($day, 8, 2), (int) substr($day, 0, 4));
    }

    public function holds(PersonFacts $facts): bool
    {
        return match ($this->what) {
            'field' => $this->fieldHolds($facts->values[$this->of] ?? []),
            'tag' => ($this->is === 'has') === in_array(mb_strtolower($this->value), array_map(mb_strtolower(...), $facts->tags), true),
            'did' => ($this->is === 'has') === $this->isDone($facts),
            'date' => $this->dateHolds($facts),
            'standing' => ($this->is === 'equal') === ($facts->standing->value === $this->value),
            default => false,
        };
    }

    /** @param  list<string>  $values */
    private function fieldHolds(array $values): bool
    {
        $values = array_values(array_filter($values, fn (string $v): bool => $v !== ''));
        $wanted = mb_strtolower($this->value);
        $any = fn (callable $test): bool => array_filter($values, fn (string $v): bool => (bool) $test(mb_strtolower($v))) !== [];

        return match ($this->is) {
            'filled' => $values !== [],
            'empty' => $values === [],
            'equal' => $any(fn (string $v): bool => $v === $wanted),
            'other' => ! $any(fn (string $v): bool => $v === $wanted),
            'contains' => $any(fn (string $v): bool => str_contains($v, $wanted)),
            'without' => ! $any(fn (string $v): bool => str_contains($v, $wanted)),
            'begins' => $any(fn (string $v): bool => str_starts_with($v, $wanted)),
            'more' => $any(fn (string $v): bool => is_numeric($v) && (float) $v > (float) $wanted),
            'less' => $any(fn (string $v): bool => is_numeric($v) && (float) $v < (float) $wanted),
            default => false,
        };
    }

    private function isDone(PersonFacts $facts): bool
    {
        $since = $this->within === 0 ? null : $this->since($facts->now);
        foreach ($facts->deeds as $deed) {
            if ($deed['did'] === $this->did && ($this->of === '' || $deed['of'] === $this->of) && ($since === null || $deed['at'] >= $since)) {
                return true;
            }
        }

        return false;
    }

    private function dateHolds(PersonFacts $facts): bool
    {
        $own = $facts->values[$this->of][0] ?? '';
        $at = match ($this->of) {
            'joined' => $facts->joined,
            'active' => $facts->active,
            // A day without an hour begins when it begins where the owner is.
            default => self::isDay($own) ? new DateTimeImmutable($own, $facts->zone) : null,
        };
        if ($at === null) {
            return false;
        }

        return match ($this->is) {
            'before' => $at < $this->dayBegins($facts->zone),
            'after' => $at >= $this->dayEnds($facts->zone),
            'within' => $at >= $this->since($facts->now),
            'longer' => $at < $this->since($facts->now),
            default => false,
        };
    }

    /** From when on a rule about the last so many days counts. */
    public function since(DateTimeImmutable $now): DateTimeImmutable
    {
        return $now->setTimezone(new DateTimeZone('UTC'))->modify("-{$this->within} days");
    }

    /** When the day that the rule names begins. */
    public function dayBegins(DateTimeZone $zone): DateTimeImmutable
    {
        return new DateTimeImmutable($this->value, $zone);
    }

    /** When the day after it begins. */
    public function dayEnds(DateTimeZone $zone): DateTimeImmutable
    {
        return $this->dayBegins($zone)->modify('+1 day');
    }

    /** @param  callable(string $id): string  $name */
    public function words(callable $name): string
    {
        $of = $this->of === '' ? '' : '“'.$name($this->of).'”';
        $days = $this->within === 1 ? 'day' : "{$this->within} days";

        return match ($this->what) {
            'field' => "{$of} ".match ($this->is) {
                'filled' => 'is known',
                'empty' => 'is not known',
                'equal' => "is “{$this->value}”",
                'other' => "is not “{$this->value}”",
                'contains' => "contains “{$this->value}”",
                'without' => "does not contain “{$this->value}”",
                'begins' => "begins with “{$this->value}”",
                'more' => "is more than {$this->value}",
                default => "is less than {$this->value}",
            },
            'tag' => ($this->is === 'has' ? 'has' : 'does not have')." the tag “{$this->value}”",
            'did' => ($this->did?->words($this->is === 'not') ?? '').' '.($of === '' ? 'anything' : $of).($this->within > 0 ? " in the last {$days}" : ''),
            'date' => ($this->of === 'joined' ? 'joined' : ($this->of === 'active' ? 'was last active' : "{$of} is")).' '.match ($this->is) {
                'before' => "before {$this->value}",
                'after' => "after {$this->value}",
                'within' => "within the last {$days}",
                default => 'more than '.($this->within === 1 ? 'a day' : $days).' ago',
            },
            default => ($this->is === 'equal' ? '' : 'not: ').(Standing::tryFrom($this->value)?->label() ?? ''),
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(['what' => $this->what, 'is' => $this->is, 'did' => $this->did?->value, 'of' => $this->of, 'value' => $this->value, 'within' => $this->within],
            fn (string|int|null $v): bool => $v !== '' && $v !== 0 && $v !== null);
    }
}
