<?php

declare(strict_types=1);

namespace App\Front;

use App\Serving\Facts\Need;
use App\Serving\Slots\AddressSlot;
use App\Serving\Slots\CountdownSlot;
use App\Serving\Slots\DownloadSlot;
use App\Serving\Slots\MergeSlot;
use App\Serving\Slots\SessionsSlot;
use App\Serving\Slots\Slot;
use App\Serving\Slots\SourceSlot;
use App\Serving\Slots\StepSlot;
use App\Serving\Slots\TokenSlot;
use App\Serving\Slots\UntilSlot;
use LogicException;

/** Who fills the slots that are filled before the framework starts: those of {@see \App\Serving\Slots\SlotReach::Front}. */
final class FrontSlots
{
    /** @var array<string, Slot> */
    private static array $made = [];

    public static function slot(string $kind): Slot
    {
        return self::$made[$kind] ??= match ($kind) {
            'token' => new TokenSlot,
            'source' => new SourceSlot,
            'merge' => new MergeSlot,
            'address' => new AddressSlot(new MergeSlot),
            'at' => new StepSlot,
            'until' => new UntilSlot,
            'countdown' => new CountdownSlot,
            'sessions' => new SessionsSlot,
            'download' => new DownloadSlot,
            default => throw new LogicException("The slot {$kind} is filled by the framework."),
        };
    }

    /** @return list<Need> */
    public static function needs(Pieces $pieces): array
    {
        $needs = [];
        foreach ($pieces->slots() as $slot) {
            array_push($needs, ...self::slot($slot['kind'])->needs($slot['of'], $slot['noted']));
        }

        return $needs;
    }
}
