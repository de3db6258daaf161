<?php

declare(strict_types=1);

namespace App\Rendering;

use Illuminate\Support\Str;
use RuntimeException;

/**
 * Faces that stand in for a look's font until it has come: a font that visitors' devices have, stretched until the words of the page are
 * as wide in it, and its lines as high, as in the font that is on its way. The measures of the fonts come with the built front end
 * (`resources/fonts/standIns.ts`).
 *
 * @phpstan-type Measures array{ascent: float, descent: float, gap: float, widths: array<string, int>}
 * @phpstan-type Face array{local: list<string>, font: string, weight: int}
 * @phpstan-type Font array{ascent: float, descent: float, gap: float, widths: array<string, int>, standIns: list<Face>}
 * @phpstan-type Table array{fonts: array<string, array<int, Font>>, devices: array<string, array<int, Measures>>}
 */
final class StandIns
{
    /** What a page is measured by that says nothing yet. */
    private const SAMPLE = 'Twelve minutes a day, and you know what to do with each of them: the first tune comes sooner than you think. '
        .'שתים עשרה דקות ביום, והמנגינה הראשונה באה מוקדם ממה שחשבת.';

    /** So many fonts of devices are tried for each. */
    private const TRIED = 3;

    /** @var Table|null */
    private static ?array $table = null;

    /**
     * How far the devices' fonts are stretched for these words, in percent, in the order in which they are tried.
     *
     * @return list<float>
     */
    public static function sizes(string $family, int $weight, string $words): array
    {
        $font = self::table()['fonts'][Str::slug($family)][$weight] ?? null;
        $sizes = [];
        foreach ($font['standIns'] ?? [] as $device) {
            $theirs = self::table()['devices'][$device['font']][$device['weight']]['widths'];
            $ours = $font['widths'] ?? [];
            $sizes[] = self::stretch($ours, $theirs, $words) ?? self::stretch($ours, $theirs, self::SAMPLE) ?? 100.0;
        }

        return $sizes;
    }

    /**
     * @param  list<float>  $sizes  as `sizes` worked them out
     * @param  string|null  $drawn  the font that draws the page's letters, where it is another one
     * @return string the faces, as CSS
     */
    public static function faces(string $family, int $weight, array $sizes, ?string $drawn = null): string
    {
        $fonts = self::table()['fonts'][Str::slug($drawn ?? $family)] ?? [];
        $font = $fonts[$weight] ?? $fonts[$weight > 500 ? 700 : 400] ?? null;
        $css = '';
        foreach ($font['standIns'] ?? [] as $i => $device) {
            $size = $sizes[$i] ?? 100.0;
            // What overrides is told in parts of the stretched font, whose lines are as high as ours.
            $lines = array_map(fn (float $part): string => self::percent($part * 100 / $size),
                [$font['ascent'] ?? 0, $font['descent'] ?? 0, $font['gap'] ?? 0]);
            $css .= "@font-face{font-family:'".self::name($family, $i)."';font-weight:{$weight};src:"
                .implode(',', array_map(fn (string $name): string => "local('{$name}')", $device['local']))
                .';size-adjust:'.self::percent($size).";ascent-override:{$lines[0]};descent-override:{$lines[1]};"
                ."line-gap-override:{$lines[2]}}";
        }

        return $css;
    }

    /** A font with what stands in for it, as CSS names them. */
    public static function family(string $family): string
    {
        return implode(',', array_map(fn (string $name): string => "'{$name}'",
            [$family, ...array_map(fn (int $n): string => self::name($family, $n), range(0, self::TRIED - 1))]));
    }

    private static function name(string $family, int $number): string
    {
        return "{$family} ".chr(ord('A') + $number);
    }

    private static function percent(float $n): string
    {
        return round($n, 2).'%';
    }

    /**
     * @param  array<string, int>  $ours  widths by letter
     * @param  array<string, int>  $theirs
     * @return float|null in percent; null where neither has a letter of these words
     */
    private static function stretch(array $ours, array $theirs, string $words): ?float
    {
        [$wanted, $found] = [0, 0];
        foreach (array_count_values(mb_str_split($words)) as $letter => $times) {
            if (isset($ours[$letter], $theirs[$letter])) {
                $wanted += $times * $ours[$letter];
                $found += $times * $theirs[$letter];
            }
        }

        return $found === 0 ? null : round(100 * $wanted / $found, 2);
    }

    /** @return Table */
    private static function table(): array
    {
        if (self::$table === null) {
            $table = json_decode((string) @file_get_contents(public_path('build/fonts/stand-ins.json')), true);
            /** @var Table|null $table our own build writes it */
            self::$table = $table ?? throw new RuntimeException('The front end is not built yet: run bin/demo --prepare.');
        }

        return self::$table;
    }
}
