<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/**
 * Reads CSV (RFC 4180) record by record, however it is broken. A record ends with its line, unless a quoted field is
 * open; one that stays open for more than fifty lines or 100,000 bytes was never meant to be, so the line it began on
 * is given back as broken and reading goes on with the next one.
 */
final class CsvReader
{
    public const MOST_LINES = 50;

    public const MOST_BYTES = 100_000;

    public const DELIMITERS = [',', ';', "\t", '|'];

    /** @var list<string> lines that were read ahead of a quote that never closed */
    private array $back = [];

    private int $line = 0;

    /**
     * @param  callable(): (string|null)  $next  the next line in UTF-8 with its end, or nothing after the last
     */
    public function __construct(private $next, private readonly string $delimiter)
    {
    }

    /**
     * @return array{line: int, fields: list<string>|null, raw: string}|null the next record; no fields when it is broken; nothing at the
     *     end
     */
    public function record(): ?array
    {
        do {
            $raw = $this->line();
            if ($raw === null) {
                return null;
            }
        } while (trim($raw) === '');
        $begin = $this->line;
        $lines = [];
        while ($this->isOpen($raw)) {
            $more = count($lines) < self::MOST_LINES && strlen($raw) < self::MOST_BYTES ? $this->line() : null;
            if ($more === null) {
                // Nobody closed it: only the first line is lost.
                $first = $lines === [] ? $raw : substr($raw, 0, -(int) array_sum(array_map(strlen(...), $lines)));
                array_unshift($this->back, ...$lines);
                $this->line = $begin;

                return ['line' => $begin, 'fields' => null, 'raw' => rtrim($first, "\r\n")];
            }
            $lines[] = $more;
            $raw .= $more;
        }
        $raw = rtrim($raw, "\r\n");

        return ['line' => $begin,
            'fields' => array_map(fn (?string $f): string => trim($f ?? ''), str_getcsv($raw, $this->delimiter, '"', '')), 'raw' => $raw];
    }

    /** Bytes that were read already and belong to records still to come. */
    public function ahead(): int
    {
        return (int) array_sum(array_map(strlen(...), $this->back));
    }

    /** Over how many lines the records given so far went. */
    public function lines(): int
    {
        return $this->line;
    }

    private function line(): ?string
    {
        $line = array_shift($this->back) ?? ($this->next)();
        $this->line += $line === null ? 0 : 1;

        return $line;
    }

    /** Is a quoted field still open at the end? A quote opens one only at the beginning of a field. */
    private function isOpen(string $raw): bool
    {
        if (! str_contains($raw, '"')) {
            return false;
        }
        $quoted = false;
        $atStart = true;
        $length = strlen($raw);
        for ($i = 0; $i < $length; $i++) {
            $c = $raw[$i];
            if ($quoted) {
                if ($c === '"') {
                    if (($raw[$i + 1] ?? '') === '"') {
                        $i++;
                    } else {
                        $quoted = false;
                    }
                }
            } elseif ($c === '"' && $atStart) {
                $quoted = true;
                $atStart = false;
            } elseif ($c === $this->delimiter) {
                $atStart = true;
            } elseif ($c !== ' ') {
                $atStart = false;
            }
        }

        return $quoted;
    }

    /** The delimiter that cuts the first lines into the most columns of equal number. */
    public static function delimiter(string $sample): string
    {
        $lines = array_slice(array_values(array_filter(preg_split('/\R/', $sample) ?: [], fn (string $l): bool => trim($l) !== '')), 0, 10);
        $best = ',';
        $most = 0.0;
        foreach (self::DELIMITERS as $delimiter) {
            $counts = array_map(fn (string $l): int => count(str_getcsv($l, $delimiter, '"', '')), $lines);
            $columns = $counts === [] ? 1 : $counts[0];
            $same = count(array_filter($counts, fn (int $c): bool => $c === $columns));
            $score = $columns < 2 ? 0.0 : $same / max(1, count($counts)) + $columns / 10_000;
            if ($score > $most) {
                [$best, $most] = [$delimiter, $score];
            }
        }

        return $best;
    }

    /**
     * The encoding that a file most likely has, and how many bytes of mark it begins with: UTF-8 if it is valid, UTF-16
     * by its mark or its zeros, else Windows-1252, as office programs of the west write it.
     *
     * @return array{string, int}
     */
    public static function encoding(string $sample): array
    {
        if (str_starts_with($sample, "\xEF\xBB\xBF")) {
            return ['UTF-8', 3];
        }
        if (str_starts_with($sample, "\xFF\xFE")) {
            return ['UTF-16LE', 2];
        }
        if (str_starts_with($sample, "\xFE\xFF")) {
            return ['UTF-16BE', 2];
        }
        if (strlen($sample) > 3 && substr_count($sample, "\0") > strlen($sample) / 4) {
            return [$sample[0] === "\0" ? 'UTF-16BE' : 'UTF-16LE', 0];
        }
        // A sample may end in the middle of a character.
        for ($cut = 0; $cut < 4; $cut++) {
            if (mb_check_encoding(substr($sample, 0, strlen($sample) - $cut), 'UTF-8')) {
                return ['UTF-8', 0];
            }
        }

        return ['Windows-1252', 0];
    }

    /** One record as RFC 4180 writes it, and so that no spreadsheet takes a cell for a formula. */
    public static function write(string ...$fields): string
    {
        return implode(',', array_map(function (string $f): string {
            // A plain number or phone number stays what it is; anything else that begins like a formula is made words.
            $safe = preg_match('/^[=+\-@\t\r]/', $f) === 1 && preg_match('/^[+-]?[\d][\d .()\/-]*$/D', $f) !== 1 ? "'{$f}" : $f;

            return preg_match('/[",\r\n]|^\s|\s$/', $safe) === 1 ? '"'.str_replace('"', '""', $safe).'"' : $safe;
        }, $fields))."\r\n";
    }
}
