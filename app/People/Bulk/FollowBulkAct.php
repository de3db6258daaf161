<?php

declare(strict_types=1);

namespace App\People\Bulk;

use App\Journey\Events;
use App\Journey\NewEvent;
use App\Models\BulkAct;
use App\Models\DraftPart;
use App\Models\Person;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Events\EventType;

/**
 * What follows for each person from something that was done to many, some people in one job, in a transaction that is short. Safe to run
 * twice.
 */
final class FollowBulkAct implements ShouldQueue
{
    use Queueable;

    private const PIECE = 50;

    public int $tries = 5;

    public int $timeout = 80;

    public function __construct(public readonly string $act, public readonly string $after = '')
    {
    }

    public function handle(Events $events): void
    {
        $last = DB::transaction(function () use ($events): ?string {
            // Looked up within the transaction: whoever takes the act back meanwhile waits for this piece, or has done so.
            $act = BulkAct::query()->where('id', $this->act)->whereNull('undone_at')->first();
            if ($act === null) {
                return null;
            }
            $ids = DB::table('bulk_act_people')->where('bulk_act_id', $act->id)->where('person_id', '>', $this->after)->orderBy('person_id')
                ->limit(self::PIECE)->pluck('person_id')->map(fn ($id): string => (string) $id)->all();
            $now = CarbonImmutable::now();
            $of = (string) ($act->data['of'] ?? '');
            $sequence = $act->kind === 'start'
                ? DraftPart::query()->with('funnel.liveVersion', 'funnel.business')->where('id', $of)->first() : null;
            foreach (Person::query()->with('business')->whereIn('id', $ids)->get() as $person) {
                match ($act->kind) {
                    'tag' => $events->take(NewEvent::of(EventType::Tagged, $person, $now, tag: $of,
                        data: ['tag' => $of, 'act' => $act->id])),
                    'start' => $sequence !== null && $person->subscription()->getsSequences()
                        ? $events->enter($person, $sequence->funnel, $sequence->id, $now) : null,
                    'stop' => $events->leave($person, $of, BulkActs::why($act), $now),
                    'unsubscribe' => $events->take(NewEvent::of(EventType::Unsubscribed, $person, $now, data: ['act' => $act->id],
                        why: BulkActs::why($act))),
                    default => null,
                };
            }

            return count($ids) === self::PIECE ? $ids[self::PIECE - 1] : null;
        });
        if ($last !== null) {
            self::dispatch($this->act, $last);
        }
    }
}
