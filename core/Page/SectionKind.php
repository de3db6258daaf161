<?php

declare(strict_types=1);

namespace Lantern\Core\Page;

/** What a section is for. Its designs are listed in {@see \Lantern\Core\Page\Design\Designs}. */
enum SectionKind: string
{
    case Header = 'header';
    case Opening = 'opening';
    case Words = 'words';
    case Learn = 'learn';
    case Host = 'host';
    case Testimonials = 'testimonials';
    case Fit = 'fit';
    case Agenda = 'agenda';
    case Video = 'video';
    case Pictures = 'pictures';
    case Action = 'action';
    case Form = 'form';
    case Countdown = 'countdown';
    case Price = 'price';
    case Checkout = 'checkout';
    case Purchases = 'purchases';
    case Bonuses = 'bonuses';
    case Guarantee = 'guarantee';
    case Questions = 'questions';
    case Download = 'download';
    case Logos = 'logos';
    case Divider = 'divider';
    case Footer = 'footer';
    case Embed = 'embed';
    /** Something to answer or to tick off, of which a guide keeps what its reader said. */
    case Exercise = 'exercise';
    /** What a pop-up says. It stands on no page. */
    case Popup = 'popup';

    public function label(): string
    {
        return match ($this) {
            self::Header => 'Header',
            self::Opening => 'Opening',
            self::Words => 'Text',
            self::Learn => 'What you will learn',
            self::Host => 'About the host',
            self::Testimonials => 'Testimonials',
            self::Fit => 'Who it is for',
            self::Agenda => 'Agenda',
            self::Video => 'Video',
            self::Pictures => 'Pictures',
            self::Action => 'Call to action',
            self::Form => 'Form',
            self::Countdown => 'Countdown',
            self::Price => 'Price',
            self::Checkout => 'Checkout',
            self::Purchases => 'What was bought',
            self::Bonuses => 'Bonuses',
            self::Guarantee => 'Guarantee',
            self::Questions => 'Questions and answers',
            self::Download => 'Download',
            self::Logos => 'Logos',
            self::Divider => 'Divider',
            self::Footer => 'Footer',
            self::Embed => 'Embedded page',
            self::Exercise => 'To think about',
            self::Popup => 'Pop-up',
        };
    }

    /** @return list<self> those of which a page may be made */
    public static function ofPages(): array
    {
        return array_filter(self::cases(), fn (self $k): bool => ! in_array($k, [self::Popup, self::Exercise], true));
    }

    /** @return list<self> those of which a page of a guide may be made */
    public static function ofGuides(): array
    {
        return [self::Opening, self::Words, self::Exercise, self::Learn, self::Pictures, self::Video, self::Embed, self::Host,
            self::Testimonials, self::Questions, self::Agenda, self::Action, self::Countdown, self::Price, self::Logos, self::Divider,
            self::Header, self::Footer];
    }
}
