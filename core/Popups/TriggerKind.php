<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

/** What opens a pop-up. */
enum TriggerKind: string
{
    /** About to leave: the pointer going for the top edge, or on a phone its three signs; see docs/popups.md. */
    case Leaving = 'leaving';
    /** After so many seconds of being looked at. */
    case Seconds = 'seconds';
    /** Scrolled down to so many hundredths of the page. */
    case Depth = 'depth';
    /** A section comes into view. */
    case Section = 'section';
    /** A click on what names it. */
    case Click = 'click';
    /** So many seconds without a movement. */
    case Idle = 'idle';

    public function label(): string
    {
        return match ($this) {
            self::Leaving => 'is about to leave',
            self::Seconds => 'has looked at the page for some seconds',
            self::Depth => 'has scrolled down',
            self::Section => 'reaches a section',
            self::Click => 'clicks a button, link or picture that names it',
            self::Idle => 'does nothing for some seconds',
        };
    }

    /** @return array{int, int, int} the least and the most its amount may be, and what a new one starts with; nothing but 0 without one */
    public function amounts(): array
    {
        return match ($this) {
            self::Seconds => [0, 3600, 20],
            self::Depth => [1, 100, 60],
            self::Idle => [5, 3600, 30],
            default => [0, 0, 0],
        };
    }
}
