<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

/** What a field of a block holds. Cleaning, merge fields, links, passages, copying and the desk's column follow from it. */
enum FieldType: string
{
    /** Words that visitors read, without marks. */
    case Words = 'words';
    /** Words with the few inline marks that a page may have; sanitised before they are kept. */
    case RichText = 'rich-text';
    /** What a picture shows, for those who cannot see it. */
    case Description = 'description';
    /** An address as {@see Link} reads it. */
    case Link = 'link';
    /** The id of a picture of the library. */
    case Picture = 'picture';
    /** The id of a video of the library. */
    case Video = 'video';
    /** A moment on the owner's clocks, such as `2027-03-12T18:00`. */
    case Moment = 'moment';
    /** The id of another part of the funnel. */
    case Reference = 'reference';
    /** A colour of the owner's own, such as `#1e6b5e`. */
    case Colour = 'colour';
    /** One of a few names. */
    case Choice = 'choice';

    /** Does it hold words that a visitor reads on the page? */
    public function isRead(): bool
    {
        return $this === self::Words || $this === self::RichText;
    }

    /** Does it hold anything typed as plain words? */
    public function isPlain(): bool
    {
        return $this === self::Words || $this === self::Description;
    }

    /** Does it hold the id of something outside the page? */
    public function isId(): bool
    {
        return in_array($this, [self::Picture, self::Video, self::Reference], true);
    }
}
