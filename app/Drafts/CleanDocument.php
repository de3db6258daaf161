<?php

declare(strict_types=1);

namespace App\Drafts;

use App\Models\Upload;
use App\Support\RichText;
use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\Field;
use Lantern\Core\Page\Block\FieldType;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Page\Section;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A page document as somebody sends it: its shape checked, its words sanitised, its references the owner's own. */
final class CleanDocument
{
    /**
     * @param  list<string>|null  $only  ids of the sections whose words are needed; those of the others are not sanitised
     *
     * @throws Invalid by the place of what is wrong
     */
    public static function of(mixed $input, int $business, ?array $only = null): Document
    {
        $read = Document::fromArray($input);
        $document = $read->with(array_map(fn (Section $s): Section => $only === null || in_array($s->id, $only, true) ? self::section($s)
            : $s, $read->sections));

        return self::owned($document, $business);
    }

    /** One section, such as one that is shared. */
    public static function one(mixed $input, int $business): Section
    {
        $section = self::section(Section::fromShape(Shape::of($input, 'section')));
        self::owned(new Document([$section], Background::paper()), $business);

        return $section;
    }

    /** Only the words, for what comes from an archive whose files are taken in beside it. */
    public static function words(Document $document): Document
    {
        return $document->with(array_map(fn (Section $s): Section => self::section($s), $document->sections));
    }

    private static function section(Section $section): Section
    {
        $clean = fn (Field $field, string $value): string => match (true) {
            $field->type === FieldType::RichText => RichText::words($value)->html,
            $field->type->isPlain() => RichText::plain($value),
            // The core checks the form of all others.
            default => $value,
        };

        return $section->with(array_map(fn (Block $b): Block => $b->map($clean), $section->blocks));
    }

    private static function owned(Document $document, int $business): Document
    {
        self::own($document->pictures(), 'picture', $business);
        self::own($document->videos(), 'video', $business);

        return $document;
    }

    /** @param  list<string>  $ids */
    private static function own(array $ids, string $kind, int $business): void
    {
        if ($ids !== [] && Upload::query()->where('business_id', $business)->where('kind', $kind)->whereIn('id', $ids)
            ->count() !== count($ids)) {
            throw Invalid::at('document', "A {$kind} on this page is not in your library.");
        }
    }
}
