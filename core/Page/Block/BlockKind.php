<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

/** What a block is. The fields each kind has are listed in {@see BlockFields}. */
enum BlockKind: string
{
    case Eyebrow = 'eyebrow';
    case Heading = 'heading';
    case Text = 'text';
    case Bullets = 'bullets';
    case Points = 'points';
    case Picture = 'picture';
    case Cover = 'cover';
    case Gallery = 'gallery';
    case Video = 'video';
    case Form = 'form';
    case Button = 'button';
    case Download = 'download';
    case Testimonials = 'testimonials';
    case Fit = 'fit';
    case Agenda = 'agenda';
    case Countdown = 'countdown';
    case Price = 'price';
    case Seal = 'seal';
    case Questions = 'questions';
    case Logos = 'logos';
    case Divider = 'divider';
    case Logo = 'logo';
    case Menu = 'menu';

    public function label(): string
    {
        return match ($this) {
            self::Eyebrow => 'Line above the heading',
            self::Heading => 'Heading',
            self::Text => 'Words',
            self::Bullets => 'Bullets',
            self::Points => 'Points',
            self::Picture => 'Picture',
            self::Cover => 'Cover',
            self::Gallery => 'Gallery',
            self::Video => 'Video',
            self::Form => 'Form',
            self::Button => 'Button',
            self::Download => 'Download',
            self::Testimonials => 'Testimonials',
            self::Fit => 'For whom, and for whom not',
            self::Agenda => 'Agenda',
            self::Countdown => 'Countdown',
            self::Price => 'Price card',
            self::Seal => 'Guarantee seal',
            self::Questions => 'Questions and answers',
            self::Logos => 'Logos',
            self::Divider => 'Divider',
            self::Logo => 'Logo',
            self::Menu => 'Menu',
        };
    }

    /** Does it show something that stands beside the words where a section is split? */
    public function isVisual(): bool
    {
        return in_array($this, [self::Picture, self::Cover, self::Gallery, self::Video, self::Price], true);
    }
}
