<?php

declare(strict_types=1);

namespace App\Webinars;

use App\Languages\SiteVoice;

/** What the script of a room says, in the language of the room. Values that only the browser knows stand in it in braces. */
final class RoomWords
{
    private const OPEN = ['time' => '{time}', 'moment' => '{moment}', 'length' => '{length}'];

    /** @return array<string, string> by the name that the script knows */
    public static function of(SiteVoice $voice): array
    {
        return array_map(fn (string $key): string => $voice->say($key, self::OPEN), [
            'closed' => 'room.closed', 'begins' => 'room.begins', 'soon' => 'room.soon', 'on' => 'room.on', 'goOn' => 'room.go_on',
            'over' => 'room.over', 'cancelled' => 'room.cancelled', 'waiting' => 'room.waiting', 'crowded' => 'room.crowded',
            'live' => 'room.live', 'at' => 'room.at', 'next' => 'room.next', 'toReplay' => 'room.to_replay', 'offer' => 'room.offer',
            'offerOver' => 'room.offer_over', 'priceLeft' => 'room.price_left', 'priceOver' => 'room.price_over', 'mine' => 'room.mine',
            'answered' => 'room.answered', 'withHost' => 'room.with_host', 'toHost' => 'room.to_host', 'sent' => 'room.sent',
            'lost' => 'room.lost', 'offline' => 'room.offline', 'soundOn' => 'room.sound_on', 'soundOff' => 'room.sound_off',
            'noStream' => 'room.no_stream', 'stream' => 'room.stream', 'captions' => 'room.captions',
        ]);
    }
}
