<?php

declare(strict_types=1);

namespace Lantern\Core\Experiments;

/** Which variant somebody gets: by a hash of who they are and of the test, so that it needs no memory and is the same every time. */
final class Assignment
{
    /**
     * Whoever has seen a variant keeps it, as long as there is one of that letter.
     *
     * @param  mixed  $seen  the letter of what they saw first; anything else where they have seen none
     * @param  array<string, int>  $weights  by letter
     */
    public static function keeping(mixed $seen, string $test, string $who, array $weights): string
    {
        return is_string($seen) && isset($weights[$seen]) ? $seen : self::of($test, $who, $weights);
    }

    /**
     * @param  string  $test  its id; likewise of who it is: a browser or a person
     * @param  array<string, int>  $weights  by letter; one of nothing is never given
     * @return string the letter; the first with a weight where none has any
     */
    public static function of(string $test, string $who, array $weights): string
    {
        $sum = array_sum($weights);
        // Thirteen hexadecimal digits are the most that a float holds exactly.
        $at = hexdec(substr(hash('sha256', "{$test}|{$who}"), 0, 13)) / 16 ** 13 * $sum;
        foreach ($weights as $letter => $weight) {
            if ($weight > 0 && $at < $weight) {
                return (string) $letter;
            }
            $at -= $weight;
        }

        return (string) array_key_first(array_filter($weights) ?: $weights);
    }
}
