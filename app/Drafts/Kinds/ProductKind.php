<?php

declare(strict_types=1);

namespace App\Drafts\Kinds;

use App\Models\Business;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Upload;
use App\Support\Ids;
use App\Support\RichText;
use Lantern\Core\Offers\Product;
use Lantern\Core\Offers\ProductFile;
use Lantern\Core\Parts\Part;
use Lantern\Core\Support\Shape;

final class ProductKind extends DraftKind
{
    public function part(): string
    {
        return Product::class;
    }

    public function list(): string
    {
        return 'products';
    }

    public function typed(): array
    {
        return ['name', 'line', 'tags', 'sequence', 'page', 'url', 'files'];
    }

    protected function check(DraftPart $row, Part $part): void
    {
        self::speaksOfItsFunnel($row, $part, 'sequence', 'This is not in this funnel any more. Please choose again.');
    }

    /** Its files are what the library says they are, whatever is written beside them. */
    public function cleaned(Part $part, Business $business): Part
    {
        if (! $part instanceof Product) {
            return $part;
        }
        $files = [];
        foreach ($part->files as $file) {
            $upload = Upload::query()->where('business_id', $business->id)->where('kind', 'file')->find($file->id);
            if ($upload !== null) {
                $files[] = self::file($upload)->toArray();
            }
        }

        return Product::fromShape(Shape::of(['name' => RichText::plain($part->name), 'line' => RichText::plain($part->line),
            'files' => $files]
            + $part->toArray()));
    }

    public static function file(Upload $upload): ProductFile
    {
        return new ProductFile($upload->id, $upload->name, $upload->mime, $upload->bytes);
    }

    public function fresh(Funnel $funnel, array $typed): Part
    {
        $name = is_string($typed['name'] ?? null) ? mb_substr(trim(RichText::plain($typed['name'])), 0, 120) : '';

        return new Product(Ids::next(), $name === '' ? 'New product' : $name);
    }

    public function json(DraftPart $row, Part $part): array
    {
        return ! $part instanceof Product ? [] : ['line' => $part->line, 'tags' => $part->tags, 'sequence' => $part->sequence,
            'page' => $part->page, 'url' => $part->url, 'files' => array_map(fn (ProductFile $f): array => $f->toArray(), $part->files)];
    }
}
