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
use Lantern\Core\People\DateOrder;
use Lantern\Core\People\ImportPlan;
use Lantern\Core\Support\Invalid;
use Sabre\VObject\Component\VCard;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property;
use Sabre\VObject\Splitter\VCard as Cards;

/** Takes a file of people in to be looked at: whatever encoding and format it comes in, it is kept as CSV in UTF-8. */
final class ImportFile
{
    public const MOST_COLUMNS = 200;

    /** No line of a list of people is longer than this; bytes. */
    public const LONGEST_LINE = 100_000;

    private const SAMPLE = 8;

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
            throw Invalid::at('file', 'This is not a list in CSV or vCard. In your spreadsheet, choose “Save as” and then CSV.');
        }
        [$encoding, $mark] = CsvReader::encoding($head);
        $isCards = preg_match('/^\s*BEGIN:VCARD/i', (string) mb_convert_encoding(substr($head, $mark), 'UTF-8', $encoding)) === 1;
        fseek($source, $mark);
        $this->convert($source, $target, $encoding);
        rewind($target);
        if ($isCards) {
            $target = $this->cards($target);
            rewind($target);
        }
        $reading = $this->read($target, $encoding, $isCards, $business);
        rewind($target);
        Storage::disk('uploads')->writeStream($path, $target);

        return Import::query()->create(['id' => $id, 'business_id' => $business->id,
            'name' => mb_substr(mb_scrub($file->getClientOriginalName()), 0, 200), 'path' => $path,
            'reading' => $reading, 'lines' => $reading['lines']]);
    }

    /**
     * @param  resource  $source
     * @param  resource  $target
     */
    private function convert($source, $target, string $encoding): void
    {
        if ($encoding !== 'UTF-8') {
            stream_filter_append($source, 'convert.iconv.'.$encoding.'/UTF-8//IGNORE', STREAM_FILTER_READ);
        }
        $rest = '';
        while (! feof($source)) {
            $rest .= (string) fread($source, 262_144);
            // Only whole lines: what is at the end of a piece may be half a line, half a line end or half a character.
            $end = feof($source) ? strlen($rest) : (int) max((int) strrpos($rest, "\n"), (int) strrpos(substr($rest, 0, -1), "\r")) + 1;
            $end = $end <= 1 && strlen($rest) > 2_000_000 ? strlen($rest) : $end;
            $whole = str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], substr($rest, 0, $end));
            $rest = substr($rest, $end);
            // A line that is no UTF-8 in a file that otherwise is was pasted in from another one.
            fwrite($target, mb_check_encoding($whole, 'UTF-8') ? $whole : implode("\n", array_map(
                fn (string $l): string => mb_check_encoding($l, 'UTF-8') ? $l : (string) mb_convert_encoding($l, 'UTF-8', 'Windows-1252'),
                explode("\n", $whole))));
        }
    }

    /**
     * @param  resource  $cards
     * @return resource the same people as CSV
     */
    private function cards($cards)
    {
        $csv = fopen('php://temp/maxmemory:1048576', 'w+b') ?: throw Invalid::at('file', 'There is no room for this file.');
        fwrite($csv, CsvReader::write('Email', 'First name', 'Last name', 'Phone', 'Tags'));
        try {
            $splitter = new Cards($cards);
            while (($card = $splitter->getNext()) instanceof VCard) {
                $name = self::parts($card, 'N');
                $full = trim((string) ($card->FN ?? ''));
                [$first, $last] = [(string) ($name[1] ?? ''), (string) ($name[0] ?? '')];
                if ($first === '' && $last === '') {
                    [$first, $last] = str_contains($full, ' ')
                        ? [(string) substr($full, 0, (int) strrpos($full, ' ')), (string) substr($full, (int) strrpos($full, ' ') + 1)]
                        : [$full, ''];
                }
                $tags = implode(';', self::parts($card, 'CATEGORIES'));
                fwrite($csv, str_replace("\r\n", "\n",
                    CsvReader::write((string) ($card->EMAIL ?? ''), $first, $last, (string) ($card->TEL ?? ''), $tags)));
            }
        } catch (ParseException $e) {
            throw Invalid::at('file', 'This vCard file is broken: '.mb_substr($e->getMessage(), 0, 150));
        }

        return $csv;
    }

    /** @return list<string> */
    private static function parts(VCard $card, string $name): array
    {
        $property = $card->select($name)[0] ?? null;

        return $property instanceof Property ? array_values(array_map(strval(...), $property->getParts())) : [];
    }

    /**
     * @param  resource  $file
     * @return array<string, mixed>
     */
    private function read($file, string $encoding, bool $isCards, Business $business): array
    {
        $first = fgets($file, 1_000_000);
        if ($first === false || trim($first) === '') {
            throw Invalid::at('file', 'There is nothing to read in this file.');
        }
        $sample = $first.(string) fread($file, 20_000);
        $delimiter = $isCards ? ',' : CsvReader::delimiter(substr($sample, 0, 20_000));
        if (substr_count($first, $delimiter) >= self::MOST_COLUMNS) {
            throw Invalid::at('file', 'The first line has '.number_format(substr_count($first, $delimiter) + 1)
                .' columns; a list of people has '.self::MOST_COLUMNS.' at most.');
        }
        rewind($file);
        $reader = new CsvReader(fn (): ?string => self::line($file), $delimiter);
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
                $lines += trim($line) === '' ? 0 : 1;
                yield $line;
            }
        })());
        $header = ImportPlan::hasHeader(...$rows[0]);
        $headings = $header ? $rows[0] : array_map(fn (int $i): string => 'Column '.($i + 1), array_keys($rows[0]));
        $sample = array_slice($rows, $header ? 1 : 0, self::SAMPLE);

        return ['encoding' => $encoding, 'format' => $isCards ? 'vCard' : 'CSV', 'delimiter' => $delimiter, 'header' => $header,
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
    public static function line($file): ?string
    {
        $line = fgets($file, self::LONGEST_LINE);
        if ($line === false) {
            return null;
        }
        if (! str_ends_with($line, "\n") && strlen($line) >= self::LONGEST_LINE - 1) {
            while (($rest = fgets($file, self::LONGEST_LINE)) !== false && ! str_ends_with($rest, "\n")) {
                continue;
            }

            return mb_strcut($line, 0, self::LONGEST_LINE - 8)."\n";
        }

        return mb_check_encoding($line, 'UTF-8') ? $line : mb_scrub($line, 'UTF-8');
    }
}
