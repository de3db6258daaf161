<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;

/** What a request says, as what it should be: a value of another type is as if it were not there. */
final class Input
{
    /** A text in UTF-8; '' where there is none. */
    public static function text(Request $request, string $name): string
    {
        $value = $request->input($name);

        return is_string($value) && mb_check_encoding($value, 'UTF-8') ? $value : '';
    }

    /** A whole number within bounds; the given one where there is none. */
    public static function number(Request $request, string $name, int $else, int $least, int $most): int
    {
        $value = $request->input($name);
        $number = is_int($value) ? $value : (is_string($value) && preg_match('/^-?\d{1,15}$/D', $value) === 1 ? (int) $value : $else);

        return max($least, min($most, $number));
    }
}
