<?php

declare(strict_types=1);

namespace App\Rendering;

/** The drawn signs that points may carry, as {@see \Lantern\Core\Page\Block\Blocks::ICONS} names them. */
final class Icons
{
    /** Paths on a field of 24 by 24, drawn with a line. */
    private const PATHS = [
        'tick' => 'M5 12.5l4.5 4.5L19 7.5',
        'star' => 'M12 3.5l2.6 5.4 5.9.8-4.3 4.1 1 5.9L12 16.9l-5.2 2.8 1-5.9-4.3-4.1 5.9-.8z',
        'heart' => 'M12 20s-7.5-4.6-7.5-10A4.2 4.2 0 0112 7.6 4.2 4.2 0 0119.5 10c0 5.4-7.5 10-7.5 10z',
        'clock' => 'M12 3.5a8.5 8.5 0 100 17 8.5 8.5 0 000-17zM12 7.5V12l3 2',
        'book' => 'M12 6.5C10 5 7 4.5 4 5v13c3-.5 6 0 8 1.5 2-1.5 5-2 8-1.5V5c-3-.5-6 0-8 1.5zm0 0v13',
        'note' => 'M6 3.5h8l4 4v13H6zM14 3.5v4h4M9 12h6M9 16h4',
        'lamp' => 'M8 20h8M9.5 17h5M12 3.5a6 6 0 00-3.6 10.8c.7.6 1.1 1.5 1.1 2.7h5c0-1.2.4-2.1 1.1-2.7A6 6 0 0012 3.5z',
        'leaf' => 'M5 19C4 10 9 4.5 20 4c.5 11-5 16-13 14.5M5 20c2-5 5-8 10-10.5',
        'people' => 'M9 11a3 3 0 100-6 3 3 0 000 6zm-5.5 8c0-3 2.5-5 5.5-5s5.5 2 5.5 5M16 5.3a3 3 0 010 5.4M17.5 14.3c1.900.7 3 2.4 3 '
            .'4.700',
        'gift' => 'M4 9.5h16v3H4zM5.5 12.5V20h13v-7.5M12 9.5V20M12 9.5C10 9.5 8 8.5 8 6.700 8 4 12 5 12 9.5zm0 0c2 0 4-1 4-2.800C16 4 12 '
            .'5 12 9.5z',
        'path' => 'M6 20c0-3 3-3.5 6-4s6-1 6-4-3-3.5-6-3.5H7M9.5 5.5L6.5 8.5l3 3',
        'calendar' => 'M4.5 6h15v14h-15zM4.5 10.5h15M8.5 3.5V7M15.5 3.5V7M8.5 14.5h2M13.5 14.5h2',
        'speech' => 'M4 5h16v11h-8l-4.5 4V16H4zM8 9h8M8 12h5',
        'shield' => 'M12 3.5l7 2.5v5.5c0 4.5-3 7.5-7 9-4-1.5-7-4.5-7-9V6zM9 12l2.200 2.200L15.200 10',
        'key' => 'M7.5 16a4 4 0 100-8 4 4 0 000 8zm4-4H21M17 12v4M20.5 12v3',
        'spark' => 'M12 3v5M12 16v5M3 12h5M16 12h5M6 6l3 3M15 15l3 3M18 6l-3 3M9 15l-3 3',
    ];

    public static function svg(string $name): string
    {
        $path = self::PATHS[$name] ?? self::PATHS['tick'];

        return '<svg viewBox="0 0 24 24" width="24" height="24" fill="none" stroke="currentColor" stroke-width="1.7" '
            .'stroke-linecap="round" stroke-linejoin="round"><path d="'.$path.'"/></svg>';
    }
}
