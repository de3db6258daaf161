<?php

declare(strict_types=1);

namespace Lantern\Core\Results;

/** By what somebody looks at a page, as far as the browser's own name tells. */
enum Device: string
{
    case Phone = 'phone';
    case Tablet = 'tablet';
    case Computer = 'computer';

    /** Nothing for a browser that gives no name. */
    public static function of(?string $userAgent): ?self
    {
        return match (true) {
            $userAgent === null || trim($userAgent) === '' => null,
            preg_match('~ipad|tablet|kindle|silk/|playbook~i', $userAgent) === 1
                || (stripos($userAgent, 'android') !== false && stripos($userAgent, 'mobile') === false) => self::Tablet,
            preg_match('~mobi|iphone|ipod|android|phone~i', $userAgent) === 1 => self::Phone,
            default => self::Computer,
        };
    }
}
