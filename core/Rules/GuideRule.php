<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/**
 * How far somebody has come with a guide: begun, read so much of it, read this page, finished; within so many days (0 for ever). So many
 * days are whole days of 24 hours back from now.
 */
final readonly class GuideRule extends Rule
{
    public const DEEDS = ['begun', 'share', 'page', 'finished'];

    /**
     * @param  string  $with  the guide, or the page of one
     * @param  int  $share  in percent, for a share
     */
    public function __construct(public string $did, public string $with, public bool $not = false, public int $share = 50,
        public int $days = 0)
    {
    }

    public static function kind(): string
    {
        return 'guide';
    }

    public static function label(): string
    {
        return 'A guide';
    }

    public static function fields(): array
    {
        $option = fn (string $did, bool $not, string $label): array => [$label, ['did' => $did, 'not' => $not]];

        return [
            RuleField::choice('What they did or did not do', [
                $option('begun', false, 'has begun'), $option('begun', true, 'has not begun'),
                $option('finished', false, 'has finished'), $option('finished', true, 'has not finished'),
                $option('share', false, 'has read a share of'), $option('share', true, 'has not read a share of'),
                $option('page', false, 'has read the page'), $option('page', true, 'has not read the page'),
            ]),
            RuleField::of('guide', 'with', 'Which guide')->when('did', ['begun', 'finished', 'share']),
            RuleField::of('guide-page', 'with', 'Which page')->when('did', ['page']),
            RuleField::of('number', 'share', 'percent of it', true, 'of {} %')->when('did', ['share']),
            RuleField::of('number', 'days', 'days back', true, 'in the last {} days', 'in the last day')
                ->when('did', ['begun', 'finished', 'page']),
        ];
    }

    public static function fresh(): array
    {
        return ['did' => 'finished', 'not' => false, 'with' => ''];
    }

    public static function fromShape(Shape $shape): self
    {
        [$did, $with] = [$shape->text('did', 20, 'finished'), $shape->text('with', 40, '')];
        if ($with === '' || ! in_array($did, self::DEEDS, true)) {
            throw Invalid::at($shape->path($with === '' ? 'with' : 'did'), 'Choose a guide, and what they did with it.');
        }

        return new self($did, $with, $shape->flag('not'), max(1, min(100, $shape->integer('share', 0, 3650, 50) ?: 50)),
            $did === 'share' ? 0 : $shape->integer('days', 0, 3650, 0));
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        $since = $this->since($now);
        foreach ($person->guides() as $id => $guide) {
            $at = match ($this->did) {
                'begun' => $id === $this->with ? $guide->begun : null,
                'finished' => $id === $this->with ? $guide->finished : null,
                'page' => $guide->read[$this->with] ?? null,
                default => $id === $this->with && $guide->share >= $this->share ? $now : null,
            };
            if ($at !== null && ($since === null || $at >= $since)) {
                return ! $this->not;
            }
        }

        return $this->not;
    }

    /** From when on it counts; null for ever. */
    public function since(DateTimeImmutable $now): ?DateTimeImmutable
    {
        return $this->days === 0 ? null : Moments::back($now, $this->days);
    }

    public function references(): array
    {
        return [$this->with];
    }

    public function withIds(array $ids): static
    {
        return new self($this->did, $ids[$this->with] ?? $this->with, $this->not, $this->share, $this->days);
    }

    protected function values(): array
    {
        return ['did' => $this->did, 'not' => $this->not, 'with' => $this->with] + ($this->did === 'share' ? ['share' => $this->share] : [])
            + ($this->days === 0 ? [] : ['days' => $this->days]);
    }
}
