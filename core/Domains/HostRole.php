<?php

declare(strict_types=1);

namespace Lantern\Core\Domains;

/** What a host is to us, by the name that a request gives it. */
enum HostRole
{
    case Studio;
    case Site;
    /** One host for the Studio and the site. */
    case Both;
    /** A domain of an owner's, for public pages alone. */
    case Domain;
    case Unknown;

    /**
     * @param  string|null  $host  as a request names it, with a port or without
     * @param  string  $studio  the name of the Studio's host, likewise of the site's
     * @param  callable(string): bool  $isDomain  asked only where it matters
     */
    public static function of(?string $host, string $studio, string $site, callable $isDomain): self
    {
        $name = self::name($host);

        return match (true) {
            $name === '' => self::Unknown,
            $name === $studio => $studio === $site ? self::Both : self::Studio,
            $name === $site => self::Site,
            default => $isDomain($name) ? self::Domain : self::Unknown,
        };
    }

    /** A host without its port, in small letters: browsers send what they keep for it to all of its ports. */
    public static function name(?string $host): string
    {
        return strtolower((string) preg_replace('/:\d*$/D', '', $host ?? ''));
    }

    /** Are public pages there? */
    public function hasPages(): bool
    {
        return $this === self::Site || $this === self::Both || $this === self::Domain;
    }

    public function hasStudio(): bool
    {
        return $this === self::Studio || $this === self::Both;
    }

    /**
     * Is there anything at all at a path?
     *
     * @param  string  $path  without a slash at either end
     */
    public function mayBeAsked(string $path): bool
    {
        $isStudios = preg_match('~^studio(/|$)~D', $path) === 1;

        return $isStudios ? $this->hasStudio() : $this->hasPages()
            // Health, and the front door, which on the Studio's host leads in.
            || ($this === self::Studio && in_array($path, ['', 'up'], true));
    }
}
