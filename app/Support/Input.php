<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Lantern\Core\Languages\Names;
use Lantern\Core\Support\WallClock;

/** What a request says, as what it should be: a value of another type is as if it were not there. */
final class Input
{
    private const LONGEST_SEARCH = 200;

    /** A text in UTF-8; '' where there is none. */
    public static function text(Request $request, string $name): string
    {
        $value = $request->input($name);

        return is_string($value) && mb_check_encoding($value, 'UTF-8') ? $value : '';
    }

    /** What is looked for in a list, as {@see Names::folded()} has it, and no more of it than a database compares. */
    public static function search(Request $request, string $name = 'search'): string
    {
        return mb_substr(Names::folded(trim(self::text($request, $name))), 0, self::LONGEST_SEARCH);
    }

    /** The same as a pattern that finds it anywhere, for `like ? escape '\\'`. */
    public static function pattern(string $search): string
    {
        return '%'.addcslashes($search, '%_\\').'%';
    }

    /** A day of the calendar, such as `2027-04-14`; nothing for one there is not. */
    public static function day(Request $request, string $name): ?string
    {
        $day = self::text($request, $name);

        return WallClock::isDay($day) ? $day : null;
    }

    /** A whole number within bounds; the given one where there is none. */
    public static function number(Request $request, string $name, int $else, int $least, int $most): int
    {
        $value = $request->input($name);
        $number = is_int($value) ? $value : (is_string($value) && preg_match('/^-?\d{1,15}$/D', $value) === 1 ? (int) $value : $else);

        return max($least, min($most, $number));
    }
}
