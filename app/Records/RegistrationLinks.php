<?php

declare(strict_types=1);

namespace App\Records;

use App\Models\Registration;
use App\Support\Homes;
use App\Support\Ids;
use App\Support\Seal;
use App\Support\SealPurpose;

/** Links that know whose registration it is, under a seal: into the room and the replay, to change the session, to the calendar file. */
final class RegistrationLinks
{
    private const LENGTH = 20;

    public static function room(Registration $registration): string
    {
        return Homes::link($registration->business_id, $registration->funnel_id, self::path($registration));
    }

    public static function replay(Registration $registration): string
    {
        return Homes::link($registration->business_id, $registration->funnel_id, self::path($registration).'/replay');
    }

    public static function change(Registration $registration): string
    {
        return Homes::link($registration->business_id, $registration->funnel_id, self::path($registration).'/change');
    }

    public static function calendar(Registration $registration): string
    {
        return Homes::link($registration->business_id, $registration->funnel_id, self::path($registration).'/session.ics');
    }

    public static function path(Registration $registration): string
    {
        return "/r/{$registration->id}/".self::seal($registration->id);
    }

    /** @return Registration|null nothing where the seal is not ours */
    public static function read(string $id, string $seal): ?Registration
    {
        return self::found($id, $seal, ['funnel.liveVersion', 'funnel.business', 'person']);
    }

    /** The same for what comes every few seconds, without all that belongs to it. */
    public static function light(string $id, string $seal): ?Registration
    {
        return self::found($id, $seal, ['funnel']);
    }

    /** @param  list<string>  $with */
    private static function found(string $id, string $seal, array $with): ?Registration
    {
        return Ids::is($id) && Seal::holds(SealPurpose::Registration, $id, $seal, self::LENGTH)
            ? Registration::query()->with($with)->find($id) : null;
    }

    /** As a cookie holds it. */
    public static function seat(Registration $registration): string
    {
        return $registration->id.'.'.self::seal($registration->id);
    }

    public static function ofSeat(mixed $cookie): ?Registration
    {
        return is_string($cookie) && preg_match('/^([0-9a-z]{26})\.([0-9a-f]{20})$/D', $cookie, $m) === 1 ? self::read($m[1], $m[2]) : null;
    }

    private static function seal(string $id): string
    {
        return Seal::of(SealPurpose::Registration, $id, self::LENGTH);
    }
}
