<?php

declare(strict_types=1);

namespace App\People\Import;

use App\Models\Business;
use App\Models\Import;
use App\People\Fields\OwnFields;
use App\Support\Ids;
use Generator;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\People\CsvReader;
use Lantern\Core\People\CsvWriter;
use Lantern\Core\People\DateOrder;
use Lantern\Core\People\FieldKind;
use Lantern\Core\People\ImportPlan;
use Lantern\Core\People\ListLine;
use Lantern\Core\People\TextEncoding;
use Lantern\Core\Support\Invalid;

/** Takes a file of people in to be looked at: whatever encoding and format it comes in, it is kept as CSV in UTF-8. */
final class ImportFile
{
    public const MOST_COLUMNS = 200;

    /** No line of a list of people is longer than this; bytes. */
    public const LONGEST_LINE = 100_000;

    private const SAMPLE = 8;

    private const PIECE = 262_144;

    private const NO_LIST = 'This is not a list in CSV, vCard or JSON. In your spreadsheet, choose “Save as” and then CSV.';

    /** @throws Invalid with one sentence that says what is wrong with the file */
    public function take(Business $business, UploadedFile $file): Import
    {
        $size = (int) $file->getSize();
        if ($size === 0) {
            throw Invalid::at('file', 'This file is empty.');
        }
        if ($size > (int) config('lantern.uploads.import_bytes')) {
            throw Invalid::at('file',
                'A list has '.(int) (config('lantern.uploads.import_bytes') / 1_000_000).' MB at most. Please import it in parts.');
        }
        $id = Ids::next();
        $path = "imports/{$id}.csv";
        $source = fopen($file->getRealPath(), 'rb') ?: throw Invalid::at('file', 'The file did not arrive. Please choose it again.');
        $target = fopen('php://temp/maxmemory:1048576', 'w+b') ?: throw Invalid::at('file', 'There is no room for this file.');
        $head = (string) fread($source, 65_536);
        if (str_starts_with($head, "PK\x03\x04") || str_starts_with($head, '%PDF') || str_starts_with($head, "\xD0\xCF\x11\xE0")) {
            throw Invalid::at('file', self::NO_LIST);
        }
        $encoding = TextEncoding::of($head);
        $mark = $encoding->mark($head);
        $text = $encoding->toUtf8(substr($head, $mark));
        if (preg_match_all('/[\x00-\x08\x0E-\x1F]/', $text) > strlen($text) / 50) {
            throw Invalid::at('file', self::NO_LIST);
        }
        $isCards = preg_match('/^\s*BEGIN:VCARD/i', $text) === 1;
        $isJson = preg_match('/^\s*[\[{]\s*["{\[]/', $text) === 1;
        rewind($source);
        if ($isJson) {
            $this->people($source, $target, $mark, $business);
        } elseif ($isCards) {
            $this->cards($source, $target, $encoding);
        } else {
            if (! $encoding->isWide() && $encoding !== TextEncoding::Utf8) {
                $encoding = $this->encodingOfAll($source);
                rewind($source);
            }
            fseek($source, $mark);
            $this->convert($source, $target, $encoding);
        }
        rewind($target);
        $reading = $this->read($target, $encoding, $isCards, $isJson, $business);
        rewind($target);
        Storage::disk('uploads')->writeStream($path, $target);

        return Import::query()->create(['id' => $id, 'business_id' => $business->id,
            'name' => mb_substr(mb_scrub($file->getClientOriginalName()), 0, 200), 'path' => $path,
            'reading' => $reading, 'lines' => $reading['lines']]);
    }

    /**
     * The beginning may hold too few letters to tell by.
     *
     * @param  resource  $source
     */
    private function encodingOfAll($source): TextEncoding
    {
        $letters = '';
        while (! feof($source)) {
            // A letter counts with its neighbours.
            preg_match_all('/.?[\x80-\xFF]+.?/s', (string) fread($source, self::PIECE), $found);
            $letters .= substr(implode("\n", $found[0]), 0, self::PIECE);
        }

        return TextEncoding::ofBytes($letters);
    }

    /**
     * @param  resource  $source
     * @param  resource  $target
     */
    private function convert($source, $target, TextEncoding $encoding): void
    {
        $bytes = $rest = '';
        while (! feof($source)) {
            $bytes .= (string) fread($source, self::PIECE);
            [$some, $bytes] = feof($source) ? [$bytes, ''] : $encoding->whole($bytes);
            $rest .= $encoding === TextEncoding::Utf8 ? $some : $encoding->toUtf8($some);
            // Only whole lines: what is at the end of a piece may be half a line, half a line end or half a character.
            $end = feof($source) ? strlen($rest) : (int) max((int) strrpos($rest, "\n"), (int) strrpos(substr($rest, 0, -1), "\r")) + 1;
            $end = $end <= 1 && strlen($rest) > 2_000_000 ? strlen($rest) : $end;
            $whole = str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], substr($rest, 0, $end));
            $rest = substr($rest, $end);
            // A line that is no UTF-8 in a file that otherwise is was pasted in from another one.
            fwrite($target, mb_check_encoding($whole, 'UTF-8') ? $whole : implode("\n", array_map(
                fn (string $l): string => mb_check_encoding($l, 'UTF-8') ? $l : TextEncoding::ofBytes($l)->toUtf8($l),
                explode("\n", $whole))));
        }
    }

    /**
     * People from JSON as CSV.
     *
     * @param  resource  $source
     * @param  resource  $target
     */
    private function people($source, $target, int $mark, Business $business): void
    {
        if ($mark > 0) {
            fseek($source, $mark);
        }
        $choices = array_keys(array_filter(array_column(OwnFields::of($business->id), 'kind', 'name'),
            fn (mixed $kind): bool => $kind === FieldKind::Choices->value));
        foreach (JsonPeople::rows($source, array_map(strval(...), $choices)) as $row) {
            fwrite($target, str_replace("\r\n", "\n", CsvWriter::record(...array_map(mb_scrub(...), $row))));
        }
    }

    /**
     * The same people as CSV without a header: each on the line on which their card began.
     *
     * @param  resource  $source
     * @param  resource  $target
     */
    private function cards($source, $target, TextEncoding $encoding): void
    {
        $line = 1;
        if ($encoding->isWide()) {
            $wide = $source;
            $source = fopen('php://temp/maxmemory:1048576', 'w+b') ?: throw Invalid::at('file', 'There is no room for this file.');
            $this->convert($wide, $source, $encoding);
            rewind($source);
        }
        $lines = (function () use ($source): Generator {
            while (($line = fgets($source, self::LONGEST_LINE)) !== false) {
                yield $line;
            }
        })();
        foreach (Cards::people($lines) as $begin => $person) {
            fwrite($target, str_repeat("\n", $begin - $line)
                .str_replace("\r\n", "\n", CsvWriter::record(...array_map(fn (string $v): string => strtr($v, "\r\n", '  '), $person))));
            $line = $begin + 1;
        }
    }

    /**
     * @param  resource  $file
     * @return array<string, mixed>
     */
    private function read($file, TextEncoding $encoding, bool $isCards, bool $isJson, Business $business): array
    {
        do {
            $first = fgets($file, 1_000_000);
        } while ($first !== false && trim($first) === '');
        if ($first === false) {
            throw Invalid::at('file', 'There is nothing to read in this file.');
        }
        $sample = $first.(string) fread($file, 20_000);
        $delimiter = $isCards || $isJson ? ',' : CsvReader::delimiter(substr($sample, 0, 20_000));
        if (substr_count($first, $delimiter) >= self::MOST_COLUMNS) {
            throw Invalid::at('file', 'The first line has '.number_format(substr_count($first, $delimiter) + 1)
                .' columns; a list of people has '.self::MOST_COLUMNS.' at most.');
        }
        rewind($file);
        $reader = new CsvReader(fn (): ?ListLine => self::line($file), $delimiter);
        $rows = [];
        while (count($rows) <= self::SAMPLE && ($record = $reader->record()) !== null) {
            if ($record['fields'] !== null) {
                $rows[] = $record['fields'];
            }
        }
        if ($rows === []) {
            throw Invalid::at('file', 'No line of this file can be read.');
        }
        rewind($file);
        $lines = 0;
        $dates = DateOrder::of((function () use ($file, &$lines): Generator {
            while (($line = self::line($file)) !== null) {
                $lines += trim($line->text) === '' ? 0 : 1;
                yield $line->text;
            }
        })());
        $header = ! $isCards && ImportPlan::hasHeader(...$rows[0]);
        $headings = match (true) {
            $isCards => Cards::HEADINGS,
            $header => $rows[0],
            default => array_map(fn (int $i): string => 'Column '.($i + 1), array_keys($rows[0])),
        };
        $sample = array_slice($rows, $header ? 1 : 0, self::SAMPLE);

        return ['encoding' => $encoding->value, 'format' => $isCards ? 'vCard' : ($isJson ? 'JSON' : 'CSV'), 'delimiter' => $delimiter,
            'header' => $header,
            'headings' => array_map(fn (string $h): string => mb_substr($h, 0, 100), $headings),
            'rows' => array_map(fn (array $r): array => array_map(fn (string $f): string => mb_substr($f, 0, 100), $r), $sample),
            'lines' => $lines - ($header ? 1 : 0), 'dates' => $dates->value,
            'guess' => ImportPlan::guess($headings, $sample, array_column(OwnFields::of($business->id), 'label', 'name'))];
    }

    /**
     * The next line; what is too long for one is cut, and the rest of it passed over.
     *
     * @param  resource  $file
     */
    public static function line($file): ?ListLine
    {
        $at = (int) ftell($file);
        $line = fgets($file, self::LONGEST_LINE);
        if ($line === false) {
            return null;
        }
        if (! str_ends_with($line, "\n") && strlen($line) >= self::LONGEST_LINE - 1) {
            while (($rest = fgets($file, self::LONGEST_LINE)) !== false && ! str_ends_with($rest, "\n")) {
                continue;
            }

            return new ListLine($at, mb_strcut($line, 0, self::LONGEST_LINE - 8)."\n", isWhole: false);
        }

        return new ListLine($at, mb_check_encoding($line, 'UTF-8') ? $line : mb_scrub($line, 'UTF-8'));
    }
}
