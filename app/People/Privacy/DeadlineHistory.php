<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Deadlines\FactType;

/** What happened to their deadlines, and how those ended that have ended. */
final class DeadlineHistory implements TellsHistory
{
    public static function kinds(): array
    {
        return [...array_map(fn (FactType $t): string => "deadline-{$t->value}", FactType::cases()), 'deadline-over'];
    }

    public static function tell(string $person, array $names, int $most): array
    {
        $told = [];
        $tell = function (string $kind, mixed $at, object $row, string $id) use (&$told, $names): void {
            $told[] = ['kind' => $kind, 'at' => Instant::jsonFromSql($at), 'what' => (string) ($row->name ?? ''),
                'funnel' => $names[(string) ($row->funnel_id ?? '')] ?? '', 'source' => null, 'id' => $id, 'message' => null];
        };
        foreach (DB::table('deadline_facts')->where('person_id', $person)->orderByDesc('at')->limit($most)->get() as $fact) {
            $tell("deadline-{$fact->type}", $fact->at, $fact, "d{$fact->id}");
        }
        foreach (DB::table('deadline_runs')->where('person_id', $person)->where('ends_at', '<=', Instant::sql(CarbonImmutable::now()))
            ->orderByDesc('ends_at')->limit($most)->get() as $run) {
            $tell('deadline-over', $run->ends_at, $run, "r{$run->id}");
        }

        return $told;
    }
}
