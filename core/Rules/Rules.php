<?php

declare(strict_types=1);

namespace Lantern\Core\Rules;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** The kinds of rules there are. */
final class Rules
{
    /** @var list<class-string<Rule>> */
    public const KINDS = [TagRule::class, DeedRule::class, FieldRule::class, DateRule::class, SubscriptionRule::class, DeadlineRule::class,
        WebinarRule::class, WarmthRule::class, GuideRule::class];

    /** @throws Invalid with one sentence that says what the rule still needs */
    public static function fromShape(Shape $shape): Rule
    {
        $kind = $shape->text('kind', 20);
        foreach (self::KINDS as $class) {
            if ($class::kind() === $kind) {
                return $class::fromShape($shape);
            }
        }

        throw Invalid::at($shape->path('kind'), 'This rule is of a kind that is not known here.');
    }

    /** @return array<string, mixed> what a written rule may hold, as a JSON Schema */
    public static function schema(): array
    {
        return ['oneOf' => array_map(fn (string $class): array => $class::schema(), self::KINDS)];
    }

    /** @return list<array<string, mixed>> what the Studio draws its rows from */
    public static function describe(): array
    {
        return array_map(fn (string $class): array => ['kind' => $class::kind(), 'label' => $class::label(),
            'fresh' => ['kind' => $class::kind()] + $class::fresh(),
            'fields' => array_map(fn (RuleField $f): array => $f->toArray(), $class::fields())], self::KINDS);
    }
}
