<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

/** What a block is. What each kind holds is listed in {@see Blocks}. */
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
    case Share = 'share';
    case Download = 'download';
    case Testimonials = 'testimonials';
    case Fit = 'fit';
    case Agenda = 'agenda';
    case Countdown = 'countdown';
    case Price = 'price';
    case Checkout = 'checkout';
    case Purchases = 'purchases';
    case Seal = 'seal';
    case Questions = 'questions';
    case Logos = 'logos';
    case Divider = 'divider';
    case Logo = 'logo';
    case Menu = 'menu';
    case Sessions = 'sessions';
    case Session = 'session';
    case Room = 'room';
    case Replay = 'replay';
    /** A question that the reader of a guide answers for themselves. */
    case Reflection = 'reflection';
    /** Things the reader of a guide ticks off. */
    case Checklist = 'checklist';
    case Embed = 'embed';

    /** Is there something in it that visitors press: a button, a link, a form that is sent? */
    public function isPressed(): bool
    {
        return in_array($this, [self::Button, self::Form, self::Checkout, self::Price, self::Download, self::Menu, self::Logo,
            self::Sessions],
            true);
    }

    public function label(): string
    {
        return Blocks::of($this)->label;
    }

    /** Does it show something that stands beside the words where a section is split? */
    public function isVisual(): bool
    {
        return Blocks::of($this)->visual;
    }
}
