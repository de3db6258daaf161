<?php

declare(strict_types=1);

namespace App\Results;

use Illuminate\Http\UploadedFile;
use Lantern\Core\Money\Currency;
use Lantern\Core\Money\Money;
use Lantern\Core\People\CsvReader;
use Lantern\Core\People\TextEncoding;
use Lantern\Core\Results\Period;
use Lantern\Core\Results\Touch;
use Lantern\Core\Support\Invalid;

/** Reads what was spent from a CSV: source, the first and the last day (or one day), amount, and the currency where it is another. */
final class SpendFile
{
    private const MOST_BYTES = 1_000_000;

    private const MOST_LINES = 2000;

    /** How columns may be called. */
    private const NAMES = ['source' => ['source', 'channel', 'utm_source'], 'from' => ['from', 'date', 'day', 'start'],
        'to' => ['to', 'until', 'end'], 'amount' => ['amount', 'cost', 'spend', 'spent'], 'currency' => ['currency'],
        'note' => ['note', 'campaign']];

    /**
     * @return list<array{source: string, from_day: string, to_day: string, amount: int, currency: string, note: string}>
     *
     * @throws Invalid with the line that is wrong; nothing is taken then
     */
    public static function read(UploadedFile $file, string $currency): array
    {
        if ((int) $file->getSize() > self::MOST_BYTES) {
            throw Invalid::at('file', 'That is more than a megabyte. Please import it in parts.');
        }
        $bytes = (string) file_get_contents($file->getRealPath());
        $encoding = TextEncoding::of($bytes);
        $text = $encoding->toUtf8(substr($bytes, $encoding->mark($bytes)));
        $lines = self::lines($text);
        $head = array_map(fn (string $h): string => mb_strtolower(trim($h)), array_shift($lines) ?? []);
        $at = [];
        foreach (self::NAMES as $column => $names) {
            $at[$column] = array_keys(array_intersect($head, $names))[0] ?? null;
        }
        if ($at['source'] === null || $at['from'] === null || $at['amount'] === null) {
            throw Invalid::at('file', 'The first line names the columns: source, from, to, amount. One of source, from and amount is '
                .'missing.');
        }
        $rows = [];
        foreach ($lines as $i => $fields) {
            if (array_filter($fields, fn (string $f): bool => trim($f) !== '') === []) {
                continue;
            }
            $rows[] = self::row(fn (string $column): string => trim($at[$column] === null ? '' : $fields[$at[$column]] ?? ''), $i + 2,
                $currency);
        }
        if ($rows === []) {
            throw Invalid::at('file', 'There is no line below the names of the columns.');
        }

        return $rows;
    }

    /**
     * @param  callable(string): string  $of
     * @return array{source: string, from_day: string, to_day: string, amount: int, currency: string, note: string}
     */
    private static function row(callable $of, int $line, string $currency): array
    {
        $source = Touch::of(['utm_source' => $of('source')]);
        if ($source === '') {
            throw Invalid::at('file', "Line {$line} names no source.");
        }
        try {
            $money = Money::typed($of('amount'), Currency::of(strtoupper($of('currency') === '' ? $currency : $of('currency'))));
            $period = Period::between($of('from'), $of('to') === '' ? $of('from') : $of('to'));
        } catch (Invalid $e) {
            $what = match ($e->path) {
                'from', 'to' => 'its days cannot be read; write them as 2026-11-30.',
                'currency' => 'its currency is not known; write it as EUR.',
                default => 'its amount cannot be read.',
            };
            throw Invalid::at('file', "Line {$line}: {$what} Nothing was imported.");
        }

        return ['source' => $source, 'from_day' => $period->from, 'to_day' => $period->to, 'amount' => $money->minor,
            'currency' => $money->currency->code, 'note' => mb_substr($of('note'), 0, 200)];
    }

    /** @return list<list<string>> */
    private static function lines(string $text): array
    {
        $first = strtok($text, "\r\n") ?: '';
        $counts = array_map(fn (string $d): int => substr_count($first, $d), CsvReader::DELIMITERS);
        $delimiter = CsvReader::DELIMITERS[(int) array_search(max($counts), $counts, true)];
        $stream = fopen('php://memory', 'w+b') ?: throw Invalid::at('file', 'There is no room for this file.');
        fwrite($stream, $text);
        rewind($stream);
        $lines = [];
        while (($fields = fgetcsv($stream, 10_000, $delimiter, '"', '')) !== false) {
            $lines[] = array_map(strval(...), $fields);
            if (count($lines) > self::MOST_LINES + 1) {
                throw Invalid::at('file', 'That is more than '.self::MOST_LINES.' lines. Please import it in parts.');
            }
        }
        fclose($stream);

        return $lines;
    }
}
