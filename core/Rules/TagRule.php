<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use DateTimeImmutable;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** Has a tag, or has not. Tags are compared without regard to capitals. */
final readonly class TagRule extends Rule
{
    public function __construct(public string $tag, public bool $not = false)
    {
    }

    public static function kind(): string
    {
        return 'tag';
    }

    public static function label(): string
    {
        return 'Tag';
    }

    public static function fields(): array
    {
        return [
            RuleField::choice('Has or has not',
                [['has', ['not' => false], 'has the tag'], ['has not', ['not' => true], 'does not have the tag']]),
            RuleField::of('tag', 'tag', 'Tag'),
        ];
    }

    public static function fresh(): array
    {
        return ['not' => false, 'tag' => ''];
    }

    public static function fromShape(Shape $shape): self
    {
        $tag = trim($shape->text('tag', 300, ''));

        return $tag === '' ? throw Invalid::at($shape->path('tag'), 'Choose a tag.') : new self($tag, $shape->flag('not'));
    }

    public function holds(PersonState $person, DateTimeImmutable $now): bool
    {
        return $person->hasTag($this->tag) !== $this->not;
    }

    protected function values(): array
    {
        return ['not' => $this->not, 'tag' => $this->tag];
    }
}
