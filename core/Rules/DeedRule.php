<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\Deed;
use Lantern\Core\People\State\DoneDeed;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Shape;

/**
 * Has done something, or has not: with the page, funnel, email or broadcast `with` (empty for any), within so many days
 * (0 for ever). So many days are whole days of 24 hours back from now.
 */
final readonly class DeedRule extends Rule
{
    public function __construct(public Deed $deed, public bool $not = false, public string $with = '', public int $days = 0)
    {
    }

    public static function kind(): string
    {
        return 'deed';
    }

    public static function label(): string
    {
        return 'What they did';
    }

    public static function fields(): array
    {
        $named = fn (bool $mail): array => array_values(array_map(fn (Deed $d): string => $d->value,
            array_filter(Deed::cases(), fn (Deed $d): bool => $d->isOfMail() === $mail)));
        $options = [];
        foreach (Deed::cases() as $deed) {
            $options[] = [$deed->words(false), ['deed' => $deed->value, 'not' => false]];
            $options[] = [$deed->words(true), ['deed' => $deed->value, 'not' => true]];
        }

        return [
            RuleField::choice('What they did or did not do', $options),
            RuleField::of('mail', 'with', 'With what', true, none: 'anything')->when('deed', $named(true)),
            RuleField::of('place', 'with', 'With what', true, none: 'anything')->when('deed', $named(false)),
            RuleField::of('number', 'days', 'days back', true, 'in the last {} days', 'in the last day'),
        ];
    }

    public static function fresh(): array
    {
        return ['deed' => Deed::Opened->value, 'not' => false];
    }

    public static function fromShape(Shape $shape): self
    {
        return new self($shape->choice('deed', Deed::class), $shape->flag('not'), $shape->text('with', 60, ''),
            $shape->integer('days', 0, 3650, 0));
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        $since = $this->since($now);
        $did = array_filter($person->deeds(), fn (DoneDeed $d): bool => $d->deed === $this->deed
            && ($this->with === '' || $d->with === $this->with) && ($since === null || $d->at >= $since));

        return ($did !== []) !== $this->not;
    }

    /** From when on it counts; null for ever. */
    public function since(DateTimeImmutable $now): ?DateTimeImmutable
    {
        return $this->days === 0 ? null : Moments::back($now, $this->days);
    }

    public function references(): array
    {
        return $this->with === '' ? [] : [$this->with];
    }

    public function withIds(array $ids): static
    {
        return new self($this->deed, $this->not, $ids[$this->with] ?? $this->with, $this->days);
    }

    protected function values(): array
    {
        return ['deed' => $this->deed->value, 'not' => $this->not] + ($this->with === '' ? [] : ['with' => $this->with])
            + ($this->days === 0 ? [] : ['days' => $this->days]);
    }
}
