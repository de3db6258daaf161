<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Section;
use Lantern\Core\Support\Invalid;

/** Fixes what the page check can fix by itself. */
final class PageFix
{
    /** Findings that are fixed by removing the block. */
    private const TAKEN_OUT = ['empty-heading', 'empty-link', 'empty-picture', 'no-video', 'no-moment', 'many-goals'];

    /**
     * @param  string  $place  the block the finding is about
     *
     * @throws Invalid for a finding that only the owner can fix
     */
    public static function apply(Document $document, string $code, string $place): Document
    {
        $holds = fn (Section $s): bool => array_filter($s->blocks, fn (Block $b): bool => $b->id === $place) !== [];
        if (in_array($code, self::TAKEN_OUT, true)) {
            return $document->with(array_map(fn (Section $s): Section => $holds($s)
                ? $s->with(array_values(array_filter($s->blocks, fn (Block $b): bool => $b->id !== $place))) : $s, $document->sections));
        }
        if ($code === 'contrast') {
            $page = false;
            $sections = array_map(function (Section $s) use ($holds, &$page): Section {
                if (! $holds($s)) {
                    return $s;
                }
                $page = $page || $s->background->isPaper();

                return $s->with(background: $s->background->readable());
            }, $document->sections);

            return new Document($sections, $page ? $document->background->readable() : $document->background, $document->look);
        }

        throw Invalid::at('code', 'This can only be fixed by hand.');
    }
}
