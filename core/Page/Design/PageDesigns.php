<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Design;

use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Section;
use Lantern\Core\Support\Invalid;

/**
 * Designs for whole pages: which design the sections of each kind take on. Applying one moves no section, loses no
 * word and no picture; sections of a kind it says nothing of stay as they are.
 */
final class PageDesigns
{
    /** @var array<string, array{string, string, list<string>}> name, what it is like, the designs of sections */
    private const ALL = [
        'calm' => ['Calm column', 'Everything in one quiet column',
            ['header-centred', 'opening-centred', 'words-centred', 'learn-ticks', 'host-round', 'testimonials-large', 'fit-columns',
                'agenda-line', 'video-centred', 'pictures-one', 'action-card', 'form-card', 'countdown-line', 'price-plain', 'bonuses-list',
                'guarantee-seal', 'questions-folded', 'download-card', 'logos-row', 'footer-centred']],
        'beside' => ['Side by side', 'Words at one side, what is shown at the other',
            ['header-menu', 'opening-form-right', 'words-picture', 'learn-aside', 'host-left', 'testimonials-aside', 'fit-left',
                'agenda-aside', 'video-beside', 'pictures-grid', 'action-picture', 'form-beside', 'countdown-band', 'price-beside',
                'bonuses-aside', 'guarantee-left', 'questions-aside', 'download-cover', 'logos-grid', 'footer-menu']],
        'cards' => ['Cards on tint', 'Cards on a tinted ground, row by row',
            ['header-centred', 'opening-card', 'words-card', 'learn-cards', 'host-card', 'testimonials-cards', 'fit-cards',
                'agenda-table', 'video-centred', 'pictures-strip', 'action-card', 'form-card', 'countdown-card', 'price-card',
                'bonuses-cards',
                'guarantee-card', 'questions-pairs', 'download-card', 'logos-grid', 'footer-menu']],
        'bands' => ['Bold bands', 'Dark and coloured bands across the page',
            ['header-band', 'opening-dark', 'words-left', 'learn-steps', 'host-right', 'testimonials-wall', 'fit-cards',
                'agenda-line', 'video-dark', 'pictures-one', 'action-band', 'form-dark', 'countdown-band', 'price-dark', 'bonuses-cards',
                'guarantee-seal', 'questions-pairs', 'download-cover', 'logos-row', 'footer-dark']],
    ];

    /** @return list<array{id: string, name: string, words: string}> */
    public static function list(): array
    {
        $list = [];
        foreach (self::ALL as $id => [$name, $words]) {
            $list[] = ['id' => $id, 'name' => $name, 'words' => $words];
        }

        return $list;
    }

    /**
     * @param  callable(): string  $newId
     * @param  array<string, string>  $parts  as {@see Design::section()} takes them
     *
     * @throws Invalid when there is no such design
     */
    public static function applied(string $id, Document $document, callable $newId, array $parts = []): Document
    {
        $designs = self::ALL[$id] ?? throw Invalid::at('design', 'There is no such design.');

        return $document->with(array_map(function (Section $section) use ($designs, $newId, $parts): Section {
            foreach ($section->shared === null ? $designs[2] : [] as $name) {
                $design = Designs::get($name);
                if ($design->kind === $section->kind) {
                    return self::fits($design, $section) ? $design->applied($section, $newId, $parts) : $section;
                }
            }

            return $section;
        }, $document->sections));
    }

    /** A design that lives on something the section does not have would put an empty place on the page. */
    private static function fits(Design $design, Section $section): bool
    {
        foreach ($design->blocks as $kind) {
            if (in_array($kind, [BlockKind::Form, BlockKind::Menu, BlockKind::Picture, BlockKind::Video, BlockKind::Cover,
                BlockKind::Gallery], true)
                && ! $section->is($kind)
                && ! ($kind->isVisual() && $section->is(BlockKind::Picture, BlockKind::Video, BlockKind::Cover, BlockKind::Gallery))) {
                return false;
            }
        }

        return true;
    }
}
