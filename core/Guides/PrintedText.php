<?php

declare(strict_types=1);

namespace Lantern\Core\Guides;

/**
 * Puts the words of printed sheets, which know only where on the paper they stand and how large they are, together again: lines of words,
 * paragraphs of lines, headings by their size, lists by their bullets. What stands on most sheets alike, as a title above or a number
 * below them, is left out.
 */
final class PrintedText
{
    private const BULLET = '/^(?:[•‣◦▪●○■□–—*·-]|\x{F0B7}|\x{2022})\s+(?=\S)/u';

    private const BOX = '/^(?:\[[ xX]?\]|[☐☑☒□▢✓✔])\s*(?=\S)/u';

    private const NUMBER = '/^\(?\d{1,2}[.)]\s+(?=\S)/u';

    /** How much larger than the text a heading is. */
    private const LARGER = 1.15;

    private const LONGEST_HEADING = 140;

    /** A title that runs along above or below is short. */
    private const LONGEST_RUNNING = 80;

    /** How wide letters are, of their size, where nothing else is known of the font: narrow ones, wide ones, capitals, all others. */
    private const WIDTHS = ['/[ijltfrI1.,;:!|\'’()\[\] ]/u' => 0.3,
        '/[mwMW@%—]/u' => 0.85, '/[A-HJ-LN-VX-Z]/' => 0.68, '/./su' => 0.53];

    /**
     * @param  list<list<PrintedWord>>  $sheets  of each sheet what is printed on it, in the order of reading
     * @return list<Piece>
     */
    public static function of(array $sheets): array
    {
        $lines = array_map(self::lines(...), $sheets);
        $body = self::body($lines);
        $sizes = self::headingSizes($lines, $body);
        $pieces = [];
        foreach (self::withoutRunning($lines) as $sheet) {
            array_push($pieces, ...self::pieces($sheet, $body, $sizes), ...[Piece::sheet()]);
        }

        return self::acrossSheets($pieces);
    }

    /**
     * @param  list<PrintedWord>  $words
     * @return list<PrintedWord>
     */
    private static function lines(array $words): array
    {
        // Where spaces are printed too, none has to be guessed between letters.
        $spaced = array_filter($words, fn (PrintedWord $w): bool => trim($w->text) === '' && $w->text !== '') !== [];
        $lines = [];
        foreach ($words as $word) {
            $text = (string) preg_replace('/\s+/u', ' ', $word->text);
            $size = max(1.0, $word->size);
            $end = $word->x + self::width($text) * $size;
            $n = count($lines);
            $last = $lines[$n - 1] ?? null;
            if ($last !== null && abs($last->y - $word->y) < 0.35 * max($size, $last->size) && $word->x >= $last->x) {
                // Letters that are printed one by one stand close together; longer pieces are words of their own.
                $close = mb_strlen($text) <= 2 && $word->x - $last->end < ($spaced ? 1.5 : 0.25) * $size;
                $space = $close || str_ends_with($last->text, ' ') || str_starts_with($text, ' ') ? '' : ' ';
                // A bullet may be of another size than what it stands before.
                $lines[$n - 1] = new PrintedWord($last->x, $last->y, mb_strlen(trim($last->text)) <= 2 ? $size : $last->size,
                    $last->text.$space.$text, $end);
            } elseif (trim($text) !== '') {
                $lines[] = new PrintedWord($word->x, $word->y, $size, $text, $end);
            }
        }

        return array_map(fn (PrintedWord $l): PrintedWord => $l->trimmed(), array_values($lines));
    }

    /** How wide a text is, in sizes of its letters, about. */
    private static function width(string $text): float
    {
        $width = 0.0;
        foreach (self::WIDTHS as $letters => $each) {
            $text = (string) preg_replace($letters, '', $text, -1, $count);
            $width += $count * $each;
        }

        return $width;
    }

    /**
     * The size in which most of it is printed.
     *
     * @param  list<list<PrintedWord>>  $sheets
     */
    private static function body(array $sheets): float
    {
        $letters = [];
        foreach ($sheets as $sheet) {
            foreach ($sheet as $line) {
                $key = (string) (round($line->size * 2) / 2);
                $letters[$key] = ($letters[$key] ?? 0) + mb_strlen($line->text);
            }
        }
        arsort($letters);

        return (float) (array_key_first($letters) ?? 10);
    }

    /**
     * @param  list<list<PrintedWord>>  $sheets
     * @return list<float> the sizes of headings, the largest first: each is a level
     */
    private static function headingSizes(array $sheets, float $body): array
    {
        $sizes = [];
        foreach (array_merge([], ...$sheets) as $line) {
            if ($line->size >= self::LARGER * $body && preg_match('/\p{L}/u', $line->text) === 1) {
                $sizes[(string) round($line->size)] = round($line->size);
            }
        }
        rsort($sizes);

        return $sizes;
    }

    /**
     * Without what runs along above or below: numbers of sheets, and what stands on most of them at one place.
     *
     * @param  list<list<PrintedWord>>  $sheets
     * @return list<list<PrintedWord>>
     */
    private static function withoutRunning(array $sheets): array
    {
        $key = fn (PrintedWord $l): string => round($l->y / 4).' '.preg_replace('/\d+/', '#', $l->text);
        $on = array_count_values(array_merge([], ...array_map(fn (array $s): array => array_values(array_unique(array_map($key, $s))),
            $sheets)));
        $isRunning = fn (PrintedWord $l): bool => preg_match('/^[\d\s.\/|–-]{1,12}$/u', $l->text) === 1
            || (count($sheets) >= 3 && mb_strlen($l->text) <= self::LONGEST_RUNNING && $on[$key($l)] > count($sheets) / 2);
        $edge = fn (array $s, PrintedWord $l): bool => in_array($l->y, [max([$l->y, ...array_column($s, 'y')]),
            min([$l->y, ...array_column($s, 'y')])], true);

        return array_map(fn (array $s): array => array_values(array_filter($s,
            fn (PrintedWord $l): bool => ! $edge($s, $l) || ! $isRunning($l))), $sheets);
    }

    /**
     * @param  list<PrintedWord>  $lines
     * @param  list<float>  $sizes
     * @return list<Piece>
     */
    private static function pieces(array $lines, float $body, array $sizes): array
    {
        $pitch = self::pitch($lines);
        $left = min([INF, ...array_column($lines, 'x')]);
        $right = max([0.0, ...array_column($lines, 'end')]);
        $pieces = [];
        $open = [];
        foreach ($lines as $i => $line) {
            $before = $lines[$i - 1] ?? null;
            $kind = self::kind($line, $body);
            $same = $before !== null && $kind === self::kind($before, $body) && $open !== [];
            $gap = $before === null ? 0.0 : $before->y - $line->y;
            $goesOn = $before !== null && $same && ($kind === 'heading'
                ? abs($line->size - $before->size) < 0.6 && $gap > 0 && $gap < 1.7 * $line->size
                : $kind === 'text' && $gap > -0.5 * $body && $gap < 1.35 * $pitch
                    // The line before was full, and this one begins where lines begin.
                    && ($before->end > $left + 0.72 * ($right - $left) || preg_match('/^\p{Ll}/u', $line->text) === 1)
                    && 0.9 * $body > $line->x - $before->x);
            // A second line of what is in a list.
            $goesOn = $goesOn || ($before !== null && $kind === 'text' && $open !== [] && $open[0][0] !== 'text'
                && $open[0][0] !== 'heading' && $gap > 0 && $gap < 1.35 * $pitch && $line->x > $left + 0.5 * $body);
            if (! $goesOn && $open !== []) {
                $pieces[] = $open;
                $open = [];
            }
            $open[] = [$goesOn ? $open[0][0] : $kind, $line->text, $line->size];
        }
        if ($open !== []) {
            $pieces[] = $open;
        }

        return self::made($pieces, $sizes);
    }

    private static function kind(PrintedWord $line, float $body): string
    {
        return match (true) {
            $line->size >= self::LARGER * $body && mb_strlen($line->text) <= self::LONGEST_HEADING => 'heading',
            preg_match(self::BOX, $line->text) === 1 => 'tick',
            preg_match(self::BULLET, $line->text) === 1 => 'ul',
            preg_match(self::NUMBER, $line->text) === 1 => 'ol',
            default => 'text',
        };
    }

    /**
     * How far lines of a paragraph stand apart.
     *
     * @param  list<PrintedWord>  $lines
     */
    private static function pitch(array $lines): float
    {
        $gaps = [];
        foreach ($lines as $i => $line) {
            $gap = $i === 0 ? 0.0 : $lines[$i - 1]->y - $line->y;
            if ($gap > 0.5 * $line->size && $gap < 3 * $line->size) {
                $gaps[] = $gap;
            }
        }
        sort($gaps);

        // The lower of what is usual: between paragraphs there is more.
        return $gaps === [] ? INF : $gaps[intdiv(count($gaps), 3)];
    }

    /**
     * @param  list<non-empty-list<array{string, string, float}>>  $groups  kind, words and size of each line
     * @param  list<float>  $sizes
     * @return list<Piece>
     */
    private static function made(array $groups, array $sizes): array
    {
        $pieces = [];
        for ($i = 0; $i < count($groups); $i++) {
            $kind = $groups[$i][0][0];
            $text = self::joined(array_column($groups[$i], 1));
            if ($kind === 'heading') {
                $level = array_search(round($groups[$i][0][2]), $sizes, true);
                $pieces[] = Piece::heading(1 + ($level === false ? 0 : $level), $text);
            } elseif ($kind === 'text') {
                $pieces[] = Piece::text('<p>'.self::escaped($text).'</p>');
            } else {
                $things = [];
                for (; $i < count($groups) && $groups[$i][0][0] === $kind; $i++) {
                    $things[] = (string) preg_replace([self::BOX, self::BULLET, self::NUMBER], '',
                        self::joined(array_column($groups[$i], 1)), 1);
                }
                $i--;
                $pieces[] = $kind === 'tick' ? Piece::ticks($things)
                    : Piece::text("<{$kind}>".implode('', array_map(fn (string $t): string => '<li>'.self::escaped($t).'</li>', $things))
                        ."</{$kind}>");
            }
        }

        return $pieces;
    }

    /** @param  list<string>  $lines  a word that was divided at the end of a line is one word again */
    private static function joined(array $lines): string
    {
        $text = '';
        foreach ($lines as $line) {
            $text = match (true) {
                $text === '' => $line,
                preg_match('/\p{Ll}[-\x{AD}\x{2010}]$/u', $text) === 1 && preg_match('/^\p{Ll}/u', $line) === 1 => mb_substr($text, 0,
                    -1).$line,
                default => "{$text} {$line}",
            };
        }

        return $text;
    }

    /**
     * A paragraph that goes on over the end of a sheet is one.
     *
     * @param  list<Piece>  $pieces
     * @return list<Piece>
     */
    private static function acrossSheets(array $pieces): array
    {
        $read = [];
        foreach ($pieces as $piece) {
            $n = count($read);
            $last = $n > 1 && $read[$n - 1]->ends ? $read[$n - 2] : null;
            if ($last !== null && str_starts_with($last->html, '<p>') && str_starts_with($piece->html, '<p>')
                && preg_match('/^\p{Ll}/u', $piece->text) === 1 && preg_match('/[.!?…:]["”’)]?$/u', $last->text) !== 1) {
                $read[$n - 2] = Piece::text('<p>'.self::escaped(self::joined([$last->text, $piece->text])).'</p>');
            } else {
                $read[] = $piece;
            }
        }

        return $read;
    }

    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
    }
}
