<?php

declare(strict_types=1);

namespace Lantern\Core\Automation\Act;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** The kinds of acts there are. */
final class Acts
{
    public const MOST = 10;

    /** @var list<class-string<Act>> */
    public const KINDS = [GivesTag::class, TakesTag::class, StartsSequence::class, EndsSequence::class, SendsEmail::class,
        ChangesField::class, WritesNote::class, TellsOwner::class, CallsAddress::class, GivesAccess::class, TakesAccess::class,
        StartsDeadline::class];

    /**
     * @return list<Act> in order
     *
     * @throws Invalid for one of a kind that is not known, and for more than ten
     */
    public static function fromShape(Shape $shape, string $key): array
    {
        $byKind = array_combine(array_map(fn (string $class): string => $class::kind(), self::KINDS), self::KINDS);
        $acts = [];
        foreach ($shape->groups($key, self::MOST) as $item) {
            $class = $byKind[$item->text('kind', 20, '')] ?? throw Invalid::at($item->path('kind'), 'A rule can do no such thing.');
            $acts[] = $class::fromShape($item);
        }

        return $acts;
    }

    /** @return list<array{kind: string, label: string, fields: array<string, string>}> what the Studio draws its pickers from */
    public static function describe(): array
    {
        return array_map(fn (string $class): array => ['kind' => $class::kind(), 'label' => $class::label(),
            'fields' => $class::fields()], self::KINDS);
    }

    /** @return array<string, mixed> what a written list of them may hold, as a JSON Schema */
    public static function schema(): array
    {
        $one = fn (string $needs): array => match ($needs) {
            'tag' => Written::text(60, least: 1),
            'field' => Written::shaped('^[a-z][a-z0-9_]{0,39}$', 40, 'an own field of people'),
            'value' => Written::text(1000, 'empty to empty it; '.ChangesField::TODAY.' for the day on which it happens'),
            'words' => Written::text(500, least: 1),
            'address' => Written::text(500, 'of the web', 1),
            default => Written::id(),
        };

        return Written::listOf(['oneOf' => array_map(fn (string $class): array => Written::group(
            ['kind' => ['const' => $class::kind()]] + array_map($one, $class::fields()), ['kind', ...array_keys($class::fields())]),
            self::KINDS)], self::MOST, 'what is done, in order');
    }
}
