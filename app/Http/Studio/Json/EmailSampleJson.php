<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Mail\Emails\EmailSource;
use App\Mail\Emails\EmailWriter;
use App\Models\Business;
use App\Models\Person;

/** An email as somebody reads it, and what it takes to show it so while it is written. */
final class EmailSampleJson
{
    /**
     * @return array{subject: string, html: string, text: string, bytes: int, reader: string, values: object,
     *     colours: array<string, string>, foot: string}
     */
    public static function of(EmailWriter $writer, Business $business, EmailSource $source, ?Person $reader): array
    {
        $written = $writer->forPerson($business, $source, $reader);

        return ['subject' => $written->subject, 'html' => $written->html, 'text' => $written->text, 'bytes' => strlen($written->html),
            'reader' => $reader === null ? 'Robin Sample' : ($reader->fullName() === '' ? $reader->email : $reader->fullName()),
            'values' => (object) $writer->readFor($business, $source, $reader), 'colours' => EmailWriter::colours($source->accent),
            'foot' => trim("{$business->name}\n{$business->postal_address}")];
    }
}
