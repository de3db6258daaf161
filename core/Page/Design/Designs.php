<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Design;

use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;
use Lantern\Core\Support\Invalid;

/** The designs of sections that ship with the application. */
final class Designs
{
    /**
     * id, kind, name, arrangement, tone, blocks (a style after the colon).
     *
     * @var list<array{string, string, string, string, string, string}>
     */
    private const ROWS = [
        ['header-centred', 'header', 'Logo in the middle', 'centred', '', 'logo'],
        ['header-menu', 'header', 'Logo and menu', 'wide', '', 'logo menu'],
        ['header-band', 'header', 'On a dark band', 'wide', 'ink', 'logo menu'],

        ['opening-form-right', 'opening', 'Form at the right', 'form-right', '', 'heading text bullets:ticks form'],
        ['opening-form-left', 'opening', 'Form at the left', 'form-left', '', 'heading text bullets:ticks form'],
        ['opening-centred', 'opening', 'In the middle', 'centred', '', 'eyebrow heading text form'],
        ['opening-card', 'opening', 'On a card', 'boxed', 'tint', 'heading text form'],
        ['opening-picture-right', 'opening', 'Picture at the right', 'split-right', '', 'heading text form cover'],
        ['opening-picture-left', 'opening', 'Picture at the left', 'split-left', '', 'heading text form cover'],
        ['opening-video', 'opening', 'With a video', 'centred', '', 'eyebrow heading text video button:main'],
        ['opening-dark', 'opening', 'Dark, from the left', 'left', 'ink', 'eyebrow heading text button:main'],
        ['opening-photo', 'opening', 'Photo below', 'centred', 'tint', 'heading text button:main picture:wide'],

        ['words-centred', 'words', 'In the middle', 'centred', '', 'heading text'],
        ['words-left', 'words', 'From the left', 'left', '', 'heading text'],
        ['words-aside', 'words', 'Heading at the side', 'aside', '', 'heading bullets:dots'],
        ['words-card', 'words', 'On a card', 'boxed', 'tint', 'heading text'],
        ['words-picture', 'words', 'With a picture', 'split-left', '', 'heading text picture:plain'],

        ['learn-ticks', 'learn', 'Ticked list', 'left', '', 'heading bullets:ticks'],
        ['learn-columns', 'learn', 'List in two columns', 'wide', 'tint', 'heading bullets:columns'],
        ['learn-icons', 'learn', 'Rows with icons', 'wide', '', 'heading points:icons'],
        ['learn-steps', 'learn', 'Numbered steps', 'wide', 'tint', 'heading points:steps'],
        ['learn-aside', 'learn', 'Steps beside the heading', 'aside', '', 'heading text points:steps'],
        ['learn-cards', 'learn', 'Cards', 'wide', 'tint', 'heading points:cards'],
        ['learn-picture', 'learn', 'List beside a picture', 'split-right', '', 'heading bullets:ticks picture:plain'],

        ['host-left', 'host', 'Portrait at the left', 'split-left', '', 'eyebrow heading text picture:plain'],
        ['host-right', 'host', 'Portrait at the right', 'split-right', 'tint', 'eyebrow heading text picture:plain'],
        ['host-round', 'host', 'Round portrait', 'centred', '', 'picture:round heading text'],
        ['host-card', 'host', 'On a card', 'boxed', 'tint', 'picture:round heading text'],

        ['testimonials-cards', 'testimonials', 'Cards', 'wide', 'tint', 'heading testimonials:cards'],
        ['testimonials-large', 'testimonials', 'One at a time, large', 'centred', '', 'testimonials:large'],
        ['testimonials-wall', 'testimonials', 'Wall', 'wide', '', 'heading testimonials:wall'],
        ['testimonials-aside', 'testimonials', 'Beside the heading', 'aside', 'tint', 'heading text testimonials:wall'],

        ['fit-columns', 'fit', 'Side by side', 'wide', '', 'heading fit:columns'],
        ['fit-cards', 'fit', 'On two cards', 'wide', 'tint', 'heading fit:cards'],
        ['fit-left', 'fit', 'Beside the heading', 'aside', '', 'heading text fit:columns'],

        ['agenda-line', 'agenda', 'Along a line', 'left', '', 'heading agenda:timeline'],
        ['agenda-table', 'agenda', 'As a table', 'wide', 'tint', 'heading agenda:table'],
        ['agenda-aside', 'agenda', 'Beside the heading', 'aside', '', 'heading text agenda:timeline'],

        ['video-centred', 'video', 'In the middle', 'centred', '', 'heading video'],
        ['video-beside', 'video', 'Beside words', 'split-right', '', 'heading text button:main video'],
        ['video-dark', 'video', 'On dark', 'centred', 'ink', 'heading video button:main'],

        ['pictures-one', 'pictures', 'One, across the page', 'wide', '', 'picture:wide'],
        ['pictures-grid', 'pictures', 'Gallery', 'wide', '', 'heading gallery:grid'],
        ['pictures-strip', 'pictures', 'Strip', 'wide', 'tint', 'gallery:strip'],

        ['action-band', 'action', 'Band of colour', 'centred', 'accent', 'heading button:main'],
        ['action-dark', 'action', 'Dark, from the left', 'left', 'ink', 'heading text button:main'],
        ['action-card', 'action', 'On a card', 'boxed', 'tint', 'heading text button:main'],
        ['action-picture', 'action', 'With a picture', 'split-right', '', 'heading text button:main picture:plain'],

        ['action-share', 'action', 'Share it', 'centred', '', 'share:buttons'],

        ['form-card', 'form', 'On a card', 'boxed', 'tint', 'heading text form'],
        ['form-beside', 'form', 'Beside words', 'form-right', '', 'heading text form'],
        ['form-dark', 'form', 'On dark', 'form-right', 'ink', 'heading text form'],

        ['countdown-band', 'countdown', 'Dark band', 'centred', 'ink', 'countdown:figures'],
        ['countdown-line', 'countdown', 'One sentence', 'centred', 'accent', 'countdown:sentence'],
        ['countdown-card', 'countdown', 'With a button', 'boxed', 'tint', 'heading countdown:figures button:main'],

        ['price-card', 'price', 'Card in the middle', 'centred', 'tint', 'heading price:card'],
        ['price-beside', 'price', 'Card beside words', 'split-right', '', 'heading text bullets:ticks price:card'],
        ['price-dark', 'price', 'On dark', 'split-right', 'ink', 'heading text price:card'],
        ['price-plain', 'price', 'Without a card', 'centred', '', 'heading price:plain'],

        ['checkout-centred', 'checkout', 'In the middle', 'centred', '', 'heading text checkout'],
        ['checkout-card', 'checkout', 'On a card', 'boxed', 'tint', 'heading text checkout'],
        ['checkout-beside', 'checkout', 'Beside words', 'split-right', '', 'heading text bullets:ticks checkout'],

        ['purchases-card', 'purchases', 'On a card', 'boxed', 'tint', 'heading text purchases'],
        ['purchases-plain', 'purchases', 'From the left', 'left', '', 'heading text purchases'],

        ['bonuses-list', 'bonuses', 'List with values', 'left', '', 'heading points:bonuses'],
        ['bonuses-cards', 'bonuses', 'Cards', 'wide', 'tint', 'heading points:cards'],
        ['bonuses-aside', 'bonuses', 'Beside the heading', 'aside', '', 'heading text points:bonuses'],

        ['guarantee-seal', 'guarantee', 'Seal above', 'centred', '', 'seal heading text'],
        ['guarantee-card', 'guarantee', 'On a card', 'boxed', 'tint', 'seal heading text'],
        ['guarantee-left', 'guarantee', 'From the left', 'left', '', 'seal heading text'],

        ['questions-folded', 'questions', 'Folded', 'left', '', 'heading questions:folded'],
        ['questions-pairs', 'questions', 'In two columns', 'wide', 'tint', 'heading questions:pairs'],
        ['questions-aside', 'questions', 'Beside the heading', 'aside', '', 'heading text questions:folded'],

        ['download-card', 'download', 'On a card', 'boxed', 'tint', 'heading text download'],
        ['download-cover', 'download', 'With the cover', 'split-right', '', 'heading text download cover'],

        ['logos-row', 'logos', 'In a row', 'wide', '', 'eyebrow logos:row'],
        ['logos-grid', 'logos', 'In a grid', 'wide', 'tint', 'eyebrow logos:grid'],

        ['divider-line', 'divider', 'Line', 'centred', '', 'divider:line'],
        ['divider-space', 'divider', 'Space', 'centred', '', 'divider:space'],
        ['divider-ornament', 'divider', 'Ornament', 'centred', '', 'divider:ornament'],

        ['footer-centred', 'footer', 'In the middle', 'centred', '', 'text'],
        ['footer-menu', 'footer', 'Logo, words and menu', 'wide', 'tint', 'logo text menu'],
        ['footer-dark', 'footer', 'On dark', 'left', 'ink', 'text menu'],

        ['embed-centred', 'embed', 'In the middle', 'centred', '', 'heading text embed'],
        ['embed-beside', 'embed', 'Beside words', 'split-right', 'tint', 'heading text embed'],

        ['exercise-question', 'exercise', 'Questions', 'left', 'tint', 'heading text reflection'],
        ['exercise-card', 'exercise', 'Question on a card', 'boxed', 'tint', 'heading reflection'],
        ['exercise-list', 'exercise', 'Check-list', 'left', '', 'heading text checklist'],
        ['exercise-aside', 'exercise', 'Check-list beside the heading', 'aside', 'tint', 'heading text checklist'],

        // How each stands on the screen is said in Popups\PopupDesigns.
        ['popup-card', 'popup', 'Card', 'centred', '', 'heading text form'],
        ['popup-card-dark', 'popup', 'Dark card', 'centred', 'ink', 'heading text form'],
        ['popup-picture-left', 'popup', 'Picture at the left', 'split-left', '', 'heading text form picture:plain'],
        ['popup-picture-right', 'popup', 'Picture at the right', 'split-right', 'tint', 'heading text form picture:plain'],
        ['popup-form-right', 'popup', 'Form at the right', 'form-right', 'tint', 'heading text form'],
        ['popup-full', 'popup', 'Whole screen', 'centred', 'tint', 'heading text form'],
        ['popup-full-picture', 'popup', 'Whole screen with a picture', 'split-right', '', 'heading text form picture:plain'],
        ['popup-side', 'popup', 'Panel at the side', 'left', '', 'heading text form'],
        ['popup-side-picture', 'popup', 'Panel with a picture', 'centred', 'tint', 'picture:round heading text form'],
        ['popup-top', 'popup', 'Band at the top', 'aside', 'accent', 'heading form'],
        ['popup-bottom', 'popup', 'Band at the bottom', 'aside', 'ink', 'heading form'],
        ['popup-slip', 'popup', 'Small, in the corner', 'left', 'tint', 'heading text form'],
        ['popup-slip-dark', 'popup', 'Dark and small, at the left', 'left', 'ink', 'heading text form'],
        ['popup-placed', 'popup', 'Card in the page', 'boxed', 'tint', 'heading text form'],
        ['popup-placed-beside', 'popup', 'Beside words, in the page', 'form-right', '', 'heading text form'],
        ['popup-placed-line', 'popup', 'Line in the page', 'aside', 'tint', 'heading form'],
    ];

    /** @return array<string, Design> by id */
    public static function all(): array
    {
        static $designs = null;
        if ($designs === null) {
            $designs = [];
            foreach (self::ROWS as [$id, $kind, $name, $arrangement, $tone, $words]) {
                $blocks = [];
                $styles = [];
                foreach (explode(' ', $words) as $word) {
                    [$block, $style] = [...explode(':', $word), ''];
                    $blocks[] = BlockKind::from($block);
                    if ($style !== '') {
                        $styles[$block] = $style;
                    }
                }
                $designs[$id] = new Design($id, SectionKind::from($kind), $name, Arrangement::from($arrangement), $blocks, $styles, $tone);
            }
        }

        /** @var array<string, Design> $designs */
        return $designs;
    }

    /** @throws Invalid when there is no such design */
    public static function get(string $id): Design
    {
        return self::all()[$id] ?? throw Invalid::at('design', 'There is no such design.');
    }

    /** @return list<Design> */
    public static function of(SectionKind $kind): array
    {
        return array_values(array_filter(self::all(), fn (Design $d): bool => $d->kind === $kind));
    }

    /** The design a section is in, or comes closest to. */
    public static function nearest(Section $section): Design
    {
        $designs = self::of($section->kind);
        usort($designs, fn (Design $a, Design $b): int => $b->likeness($section) <=> $a->likeness($section));

        return $designs[0];
    }
}
