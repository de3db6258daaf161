<?php

declare(strict_types=1);

namespace Lantern\Core\People;

/**
 * Reads CSV (RFC 4180) record by record, however it is broken. A record ends with its line, unless a quoted field is open. A
 * field that was opened on one line is closed on a later one only by a quote that a delimiter or the end of the line follows;
 * where another comes first, or none within fifty lines or 100,000 bytes, it was never meant to be open: the line it
 * began on is given back as broken and reading goes on with the next one.
 *
 * Every line is looked through twice at most, once from outside of quotes and once from inside: the lines read ahead are
 * kept with what was found, and where the next one to end a field lies.
 */
final class CsvReader
{
    public const MOST_LINES = 50;

    public const MOST_BYTES = 100_000;

    public const DELIMITERS = [',', ';', "\t", '|'];

    private const OPEN = 1;

    private const CLOSED = 2;

    private const WRONG = 3;

    /** @var list<ListLine> lines read ahead of the record that was given last */
    private array $ahead = [];

    /** @var array<int, int> how lines end that are entered inside of quotes, by the byte at which they begin */
    private array $inside = [];

    private int $line = 0;

    /**
     * @param  callable(): (ListLine|null)  $next  the next line, or nothing after the last
     */
    public function __construct(private $next, private readonly string $delimiter)
    {
    }

    /**
     * @return array{line: int, fields: list<string>|null, raw: string, isWhole: bool}|null the next record; no fields when it is
     *     broken; nothing at the end
     */
    public function record(): ?array
    {
        do {
            $first = $this->line();
            if ($first === null) {
                return null;
            }
        } while (trim($first->text) === '');
        $begin = $this->line;
        $raw = $first->text;
        $open = $first->isWhole && $this->end($raw, false) === self::OPEN;
        $more = $open ? $this->untilClosed(strlen($raw)) : 0;
        if ($more === null || ! $first->isWhole) {
            return ['line' => $begin, 'fields' => null, 'raw' => rtrim($raw, "\r\n"), 'isWhole' => $first->isWhole];
        }
        for (; $more > 0; $more--) {
            $raw .= $this->line()->text ?? '';
        }
        $raw = rtrim($raw, "\r\n");

        return ['line' => $begin, 'raw' => $raw, 'isWhole' => true,
            'fields' => array_map(fn (?string $f): string => trim($f ?? ''), str_getcsv($raw, $this->delimiter, '"', ''))];
    }

    /** The byte at which the next record, or an empty line before it, begins; nothing at the end. Reading can go on from there. */
    public function at(): ?int
    {
        return ($this->ahead[0] ?? $this->readAhead())?->at;
    }

    /** Over how many lines the records given so far went. */
    public function lines(): int
    {
        return $this->line;
    }

    private function line(): ?ListLine
    {
        $line = array_shift($this->ahead) ?? ($this->next)();
        if ($line !== null) {
            $this->line++;
            unset($this->inside[$line->at]);
        }

        return $line;
    }

    private function readAhead(): ?ListLine
    {
        $line = ($this->next)();
        if ($line !== null) {
            $this->ahead[] = $line;
        }

        return $line;
    }

    /** How many of the lines that follow belong to an open field; nothing if it is never closed as it should be. */
    private function untilClosed(int $bytes): ?int
    {
        for ($i = 0; $i < self::MOST_LINES && $bytes < self::MOST_BYTES; $i++) {
            $line = $this->ahead[$i] ?? $this->readAhead();
            if ($line === null || ! $line->isWhole) {
                return null;
            }
            $end = $this->inside[$line->at] ??= $this->end($line->text, true);
            if ($end !== self::OPEN) {
                return $end === self::CLOSED ? $i + 1 : null;
            }
            $bytes += strlen($line->text);
        }

        return null;
    }

    /**
     * Whether a quoted field is open at the end of a line; for one that was entered inside of quotes also whether the first
     * quote that closes is followed by something that cannot be there.
     */
    private function end(string $line, bool $quoted): int
    {
        $mustFit = $quoted;
        $atStart = true;
        $length = strlen($line);
        for ($i = 0; $i < $length; $i++) {
            if ($quoted) {
                $quote = strpos($line, '"', $i);
                if ($quote === false) {
                    return self::OPEN;
                }
                $i = $quote;
                if (($line[$i + 1] ?? '') === '"') {
                    $i++;

                    continue;
                }
                $following = $line[$i + 1 + strspn($line, $this->blanks(), $i + 1)] ?? "\n";
                if ($mustFit && ! in_array($following, [$this->delimiter, "\r", "\n"], true)) {
                    return self::WRONG;
                }
                $quoted = $mustFit = $atStart = false;
            } elseif ($atStart) {
                $i += strspn($line, $this->blanks(), $i);
                $quoted = ($line[$i] ?? '') === '"';
                $atStart = ($line[$i] ?? '') === $this->delimiter;
            } else {
                $i += strcspn($line, $this->delimiter, $i);
                $atStart = true;
            }
        }

        return $quoted ? self::OPEN : self::CLOSED;
    }

    /** What may stand before and after the quotes of a field. */
    private function blanks(): string
    {
        return $this->delimiter === "\t" ? " \v\f" : " \t\v\f";
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
}
