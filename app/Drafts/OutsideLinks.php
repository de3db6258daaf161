<?php

declare(strict_types=1);

namespace App\Drafts;

use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Block\Blocks;
use Lantern\Core\Page\Block\Field;
use Lantern\Core\Page\Block\FieldType;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Shape;

/** Addresses elsewhere to which buttons, pictures and menus of a part lead, whatever part it is, and where in it they stand. */
final class OutsideLinks
{
    /** @return array{Part, array<string, string>} the part without them, and the addresses by `BLOCK:FIELD` or `BLOCK:ENTRY.FIELD` */
    public static function out(Part $part): array
    {
        $found = [];
        $written = self::changed($part->toArray(), function (string $where, string $url) use (&$found): string {
            if (preg_match('~^https?://~i', $url) === 1) {
                $found[$where] = $url;

                return '';
            }

            return $url;
        });

        return [$found === [] ? $part : $part::fromShape(Shape::of($written)), $found];
    }

    /**
     * What changes of a definition when an address is put to where it stood, or taken away from there.
     *
     * @param  array<string, mixed>  $definition
     * @return array<string, mixed>
     */
    public static function in(array $definition, string $at, string $url): array
    {
        return array_intersect_key(self::changed($definition, fn (string $where, string $was): string => $where === $at ? $url : $was,
            true),
            ['document' => 0, 'section' => 0]);
    }

    /**
     * @param  array<string, mixed>  $written
     * @param  callable(string, string): string  $change
     * @return array<string, mixed>
     */
    private static function changed(array $written, callable $change, bool $fill = false): array
    {
        if (isset($written['document']['sections']) && is_array($written['document']['sections'])) {
            foreach ($written['document']['sections'] as $i => $section) {
                $written['document']['sections'][$i] = self::section(is_array($section) ? $section : [], $change, $fill);
            }
        }
        if (isset($written['section']) && is_array($written['section'])) {
            $written['section'] = self::section($written['section'], $change, $fill);
        }

        return $written;
    }

    /**
     * @param  array<string, mixed>  $section
     * @param  callable(string, string): string  $change
     * @return array<string, mixed>
     */
    private static function section(array $section, callable $change, bool $fill): array
    {
        foreach (is_array($section['blocks'] ?? null) ? $section['blocks'] : [] as $b => $block) {
            $kind = is_array($block) && is_string($block['kind'] ?? null) ? BlockKind::tryFrom($block['kind']) : null;
            if ($kind === null || ! is_string($block['id'] ?? null)) {
                continue;
            }
            $definition = Blocks::of($kind);
            $block = self::fields($block, $definition->fields, "{$block['id']}:", $change, $fill);
            foreach (is_array($block['items'] ?? null) ? $block['items'] : [] as $i => $item) {
                $block['items'][$i] = is_array($item)
                    ? self::fields($item, $definition->items ?? [], "{$block['id']}:{$i}.", $change, $fill) : $item;
            }
            $section['blocks'][$b] = $block;
        }

        return $section;
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, Field>  $fields
     * @param  callable(string, string): string  $change
     * @return array<string, mixed>
     */
    private static function fields(array $values, array $fields, string $before, callable $change, bool $fill): array
    {
        foreach ($fields as $name => $field) {
            $value = $values[$name] ?? '';
            if ($field->type === FieldType::Link && is_string($value) && ($fill || isset($values[$name]))) {
                $new = $change($before.$name, $value);
                if ($new !== $value) {
                    $values[$name] = $new;
                }
            }
        }

        return $values;
    }
}
