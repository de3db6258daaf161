<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\Deadlines\Run;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** How a deadline stands for somebody: it has not started for them, it runs, or it is over. Grace is over. */
final readonly class DeadlineRule extends Rule
{
    public const STATES = ['running', 'over', 'not-started'];

    public function __construct(public string $deadline, public string $state = 'running')
    {
    }

    public static function kind(): string
    {
        return 'deadline';
    }

    public static function label(): string
    {
        return 'A deadline of theirs';
    }

    public static function fields(): array
    {
        return [
            RuleField::choice('How it stands', [
                ['has running', ['state' => 'running']],
                ['is past the end of', ['state' => 'over']],
                ['has not started', ['state' => 'not-started']],
            ]),
            RuleField::of('deadline', 'deadline', 'Which deadline'),
        ];
    }

    public static function fresh(): array
    {
        return ['state' => 'running', 'deadline' => ''];
    }

    public static function fromShape(Shape $shape): self
    {
        $deadline = $shape->text('deadline', 40, '');
        $state = $shape->text('state', 20, 'running');
        if ($deadline === '' || ! in_array($state, self::STATES, true)) {
            throw Invalid::at($shape->path($deadline === '' ? 'deadline' : 'state'), 'Choose a deadline, and how it stands.');
        }

        return new self($deadline, $state);
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        return $this->state === self::stateOf($person->deadlines()[$this->deadline] ?? null, $now);
    }

    /** @return string how a deadline stands for somebody, in one of {@see DeadlineRule::STATES} */
    public static function stateOf(?Run $run, DateTimeImmutable $now): string
    {
        return match (true) {
            $run === null => 'not-started',
            $run->state($now)->isRunning() => 'running',
            default => 'over',
        };
    }

    public function references(): array
    {
        return [$this->deadline];
    }

    public function withIds(array $ids): static
    {
        return new self($ids[$this->deadline] ?? $this->deadline, $this->state);
    }

    protected function values(): array
    {
        return ['state' => $this->state, 'deadline' => $this->deadline];
    }
}
