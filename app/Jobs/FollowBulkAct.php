<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Journey\EffectRunner;
use App\Journey\PersonLookup;
use App\Journey\Tagging;
use App\Models\BulkAct;
use App\Models\Person;
use App\Models\Sequence;
use App\People\Bulk\BulkActs;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Journey\Journey;

/** What follows for each person from something that was done to many, some people in one job, in a transaction that is short. Safe to run twice. */
final class FollowBulkAct implements ShouldQueue
{
    use Queueable;

    private const PIECE = 50;

    public int $tries = 5;

    public int $timeout = 80;

    public function __construct(public readonly string $act, public readonly string $after = '')
    {
    }

    public function handle(Tagging $tagging, EffectRunner $perform): void
    {
        $last = DB::transaction(function () use ($tagging, $perform): ?string {
            // Looked up within the transaction: whoever takes the act back meanwhile waits for this piece, or has done so.
            $act = BulkAct::query()->where('id', $this->act)->whereNull('undone_at')->first();
            if ($act === null) {
                return null;
            }
            $ids = DB::table('bulk_act_people')->where('bulk_act_id', $act->id)->where('person_id', '>', $this->after)->orderBy('person_id')->limit(self::PIECE)->pluck('person_id')->map(fn ($id): string => (string) $id)->all();
            $now = CarbonImmutable::now();
            $sequence = $act->kind === 'start' ? Sequence::query()->with('funnel.liveVersion', 'funnel.business')->where('id', (string) $act->data['of'])->first() : null;
            foreach (Person::query()->with('business')->whereIn('id', $ids)->get() as $person) {
                if ($act->kind === 'tag') {
                    $tagging->react($person, (string) $act->data['of'], $now);
                } elseif ($act->kind === 'start' && $sequence?->funnel->liveVersion !== null && $person->standing()->getsSequences()) {
                    $effects = (new Journey($sequence->funnel->liveVersion->plan()))->start(PersonLookup::visitor($person), $sequence->id, $now);
                    $perform->all($effects, $sequence->funnel, $sequence->funnel->liveVersion, $person, $now);
                } elseif ($act->kind === 'stop') {
                    EffectRunner::stop($person->id, (string) $act->data['of'], BulkActs::why($act), $now);
                } elseif ($act->kind === 'unsubscribe') {
                    EffectRunner::cancelAll($person->id, BulkActs::why($act));
                }
            }

            return count($ids) === self::PIECE ? $ids[self::PIECE - 1] : null;
        });
        if ($last !== null) {
            self::dispatch($this->act, $last);
        }
    }
}
