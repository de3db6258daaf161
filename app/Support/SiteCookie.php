<?php

declare(strict_types=1);

namespace App\Support;

/** What a visitor's browser keeps for us, by the name of its cookie. */
enum SiteCookie: string
{
    /** The browser's own random id. Its script makes it, so it is under no seal. */
    case Visitor = 'lantern_visitor';
    /** The time zone of the browser's own clock, likewise. */
    case Zone = 'lantern_zone';
    /** That it is the owner's browser: their visits count nowhere. */
    case Owner = 'lantern_owner';
    /** Which form was filled in here, for the addresses of its funnel. */
    case Joined = 'lantern_joined';
    /** Which order was placed here. */
    case Order = 'lantern_order';
    /** Who came by a link in an email to them. */
    case Reader = 'lantern_reader';
    /** By which rights pages of buyers open here. */
    case Access = 'lantern_access';
    /** Whose place in a session the pages of its funnel show here. */
    case Registration = 'lantern_seat';

    /** Does its script have to read or write it? */
    public function isForScripts(): bool
    {
        return $this === self::Visitor || $this === self::Zone;
    }

    public function days(): int
    {
        return match ($this) {
            self::Visitor, self::Zone, self::Access => 365,
            self::Registration => 60,
            self::Joined, self::Reader, self::Owner => 30,
            self::Order => 7,
        };
    }
}
