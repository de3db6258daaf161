<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** What became of somebody in a webinar, in any session of it: they are registered, attended, left early, missed it … */
final readonly class WebinarRule extends Rule
{
    public const STATES = ['registered', 'attended', 'saw-offer', 'left-early', 'missed', 'watched-replay'];

    public function __construct(public string $webinar, public string $state = 'attended', public bool $not = false)
    {
    }

    public static function kind(): string
    {
        return 'webinar';
    }

    public static function label(): string
    {
        return 'A webinar';
    }

    public static function fields(): array
    {
        return [
            RuleField::choice('What they did', [
                ['is registered for', ['state' => 'registered', 'not' => false]],
                ['is not registered for', ['state' => 'registered', 'not' => true]],
                ['attended', ['state' => 'attended', 'not' => false]],
                ['did not attend', ['state' => 'attended', 'not' => true]],
                ['saw the offer in', ['state' => 'saw-offer', 'not' => false]],
                ['did not see the offer in', ['state' => 'saw-offer', 'not' => true]],
                ['left early from', ['state' => 'left-early', 'not' => false]],
                ['missed', ['state' => 'missed', 'not' => false]],
                ['watched the replay of', ['state' => 'watched-replay', 'not' => false]],
                ['did not watch the replay of', ['state' => 'watched-replay', 'not' => true]],
            ]),
            RuleField::of('webinar', 'webinar', 'Which webinar'),
        ];
    }

    public static function fresh(): array
    {
        return ['state' => 'attended', 'not' => false, 'webinar' => ''];
    }

    public static function fromShape(Shape $shape): self
    {
        $webinar = $shape->text('webinar', 40, '');
        $state = $shape->text('state', 20, 'attended');
        if ($webinar === '' || ! in_array($state, self::STATES, true)) {
            throw Invalid::at($shape->path($webinar === '' ? 'webinar' : 'state'), 'Choose a webinar, and what they did.');
        }

        return new self($webinar, $state, $shape->flag('not'));
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        return in_array($this->state, $person->inWebinar($this->webinar), true) !== $this->not;
    }

    public function references(): array
    {
        return [$this->webinar];
    }

    public function withIds(array $ids): static
    {
        return new self($ids[$this->webinar] ?? $this->webinar, $this->state, $this->not);
    }

    protected function values(): array
    {
        return ['state' => $this->state, 'not' => $this->not, 'webinar' => $this->webinar];
    }
}
