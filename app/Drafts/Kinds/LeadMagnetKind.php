<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Support\Ids;
use App\Support\RichText;
use Lantern\Core\Languages\Language;
use Lantern\Core\Parts\Part;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Support\Invalid;

final class LeadMagnetKind extends DraftKind
{
    public function part(): string
    {
        return LeadMagnet::class;
    }

    public function list(): string
    {
        return 'leadMagnets';
    }

    public function typed(): array
    {
        return ['title', 'guide'];
    }

    /** Its file is what the library says it is, whatever is written beside it. */
    public function cleaned(Part $part, Business $business): Part
    {
        if (! $part instanceof LeadMagnet || $part->file === null) {
            return $part instanceof LeadMagnet ? $part->titled(RichText::plain($part->title)) : $part;
        }
        $upload = Upload::query()->where('business_id', $business->id)->find($part->file)
            ?? throw Invalid::at('file', 'This file is not in your library.');

        return self::with($part, $upload);
    }

    public static function with(LeadMagnet $leadMagnet, Upload $upload): LeadMagnet
    {
        return $leadMagnet->titled(RichText::plain($leadMagnet->title))->withFile($upload->id, $upload->name, $upload->mime,
            $upload->bytes);
    }

    protected function check(DraftPart $row, Part $part): void
    {
        self::speaksOfItsFunnel($row, $part, 'guide', 'This guide is not in this funnel any more. Please choose again.');
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        $title = is_string($typed['title'] ?? null) ? mb_substr(RichText::plain($typed['title']), 0, 200) : '';

        return new LeadMagnet(Ids::next(), $title === '' ? $funnel->name : $title);
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof LeadMagnet ? [] : ['title' => $part->title, 'guide' => $part->guide,
            'file' => $part->file === null ? null : ['id' => $part->file, 'name' => $part->fileName,
                'note' => $part->kindAndSize(Language::of('en'))]];
    }
}
