<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Look;

/** The fonts that ship with the application: families for headings with their weight, families for words (400 and 700). */
final class Fonts
{
    public const HEADING = [
        'DM Serif Display' => 400,
        'Lora' => 700,
        'Space Grotesk' => 700,
        'Playfair Display' => 700,
        'Archivo' => 800,
        'Cormorant Garamond' => 700,
        'Bricolage Grotesque' => 800,
        'Figtree' => 800,
    ];

    public const BODY = ['DM Sans', 'Nunito Sans', 'Karla', 'Source Sans 3', 'Archivo', 'Figtree'];
}
