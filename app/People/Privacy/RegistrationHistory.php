<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Support\Instant;
use Illuminate\Support\Facades\DB;

/** For which sessions of webinars they registered. What became of each is told by its event. */
final class RegistrationHistory implements TellsHistory
{
    public static function kinds(): array
    {
        return ['registered', 'session-changed'];
    }

    public static function tell(string $person, array $names, int $most): array
    {
        $told = [];
        foreach (DB::table('registrations')->where('person_id', $person)->orderByDesc('registered_at')->limit($most)->get() as $row) {
            $entry = ['what' => $names[(string) $row->webinar_id] ?? '', 'funnel' => $names[(string) $row->funnel_id] ?? '',
                'source' => null, 'message' => null];
            $told[] = ['kind' => 'registered', 'at' => Instant::jsonFromSql($row->registered_at), 'id' => "g{$row->id}"] + $entry;
            if ($row->chosen_at !== $row->registered_at) {
                $told[] = ['kind' => 'session-changed', 'at' => Instant::jsonFromSql($row->chosen_at), 'id' => "h{$row->id}"] + $entry;
            }
        }

        return $told;
    }
}
