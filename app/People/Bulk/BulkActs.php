<?php

declare(strict_types=1);

namespace App\People\Bulk;

use App\Models\BulkAct;
use App\Models\Business;
use App\Models\DraftPart;
use App\People\Tags\Tagging;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Support\Invalid;

/**
 * Things done to many people at once. Whom it touched is kept with it, so that it can be taken back for exactly those:
 * a tag leaves those who got it by this act and stays with those who had it before.
 */
final readonly class BulkActs
{
    public const KINDS = ['tag', 'untag', 'start', 'stop', 'unsubscribe'];

    public function __construct(private LeavesSequences $sequences)
    {
    }

    /**
     * @param  Builder  $people  whom it is about, as a query of `people`
     * @param  array<string, mixed>  $data
     */
    public function do(Business $business, string $kind, array $data, Builder $people): BulkAct
    {
        return DB::transaction(function () use ($business, $kind, $data, $people): BulkAct {
            $now = CarbonImmutable::now();
            $of = is_string($data['of'] ?? null) ? trim($data['of']) : '';
            if ($kind === 'tag' || $kind === 'untag') {
                if ($of === '' || mb_strlen($of) > 60) {
                    throw Invalid::at('of', 'A tag has between one and 60 characters.');
                }
                $data = ['of' => $of, 'tag' => Tagging::tag($business->id, $of)->id];
            } elseif ($kind === 'start' || $kind === 'stop') {
                $sequence = DraftPart::query()->with('funnel.liveVersion')->where('kind', 'sequence')
                    ->whereHas('funnel', fn ($q) => $q->where('business_id', $business->id))->where('id', $of)->first()
                    ?? throw Invalid::at('of', 'This sequence is not there any more.');
                if ($kind === 'start' && $sequence->funnel->liveVersion?->plan()->sequence($of) === null) {
                    throw Invalid::at('of', 'This sequence is not live yet: publish its funnel first.');
                }
                $data = ['of' => $of, 'name' => $sequence->name];
            } else {
                $data = ['at' => Instant::sql($now)];
            }
            $act = BulkAct::query()->create(['business_id' => $business->id, 'kind' => $kind, 'data' => $data]);
            DB::table('bulk_act_people')
                ->insertUsing(['bulk_act_id', 'person_id'], $this->touched($kind, $data, $people)->selectRaw('?, people.id', [$act->id]));
            $act->forceFill(['people' => DB::table('bulk_act_people')->where('bulk_act_id', $act->id)->count()])->save();
            $this->apply($act, $now);

            return $act;
        });
    }

    /**
     * Those for whom it changes something.
     *
     * @param  array<string, mixed>  $data
     */
    private function touched(string $kind, array $data, Builder $people): Builder
    {
        $tagged = fn (Builder $q) => $q->selectRaw('1')->from('person_tag')->whereColumn('person_tag.person_id', 'people.id')
            ->where('tag_id', $data['tag'] ?? 0);
        $inside = fn (Builder $q) => $q->selectRaw('1')->from('enrolments')->whereColumn('enrolments.person_id', 'people.id')
            ->where('sequence_id', $data['of'] ?? '')->whereNull('ended_at');

        return match ($kind) {
            'tag' => $people->whereNotExists($tagged),
            'untag' => $people->whereExists($tagged),
            'start' => $people->whereNotExists($inside),
            'stop' => $people->whereExists($inside),
            default => $people->whereNull('people.unsubscribed_at'),
        };
    }

    private function apply(BulkAct $act, CarbonImmutable $now): void
    {
        $ids = $this->ids($act);
        match ($act->kind) {
            'tag' => DB::table('person_tag')->insertUsing(['person_id', 'tag_id', 'tagged_at'],
                $ids()->selectRaw('person_id, ?, ?', [(int) $act->data['tag'], Instant::sql($now)])),
            'untag' => DB::table('person_tag')->where('tag_id', (int) $act->data['tag'])->whereIn('person_id', $ids()->select('person_id'))
                ->delete(),
            'unsubscribe' => DB::table('people')->whereIn('id', $ids()->select('person_id'))
                ->update(['unsubscribed_at' => (string) $act->data['at']]),
            default => null,
        };
        // What has to be decided for each person alone is done piece by piece.
        if ($act->kind !== 'untag') {
            FollowBulkAct::dispatch($act->id);
        }
    }

    /** Takes it back for those it touched. */
    public function undo(BulkAct $act): void
    {
        DB::transaction(function () use ($act): void {
            if (BulkAct::query()->where('id', $act->id)->whereNull('undone_at')->update(['undone_at' => CarbonImmutable::now()]) === 0) {
                return;
            }
            $now = Instant::sql(CarbonImmutable::now());
            $ids = $this->ids($act);
            $sequence = (string) ($act->data['of'] ?? '');
            match ($act->kind) {
                'tag' => DB::table('person_tag')->where('tag_id', (int) $act->data['tag'])
                    ->whereIn('person_id', $ids()->select('person_id'))->delete(),
                'untag' => DB::table('person_tag')->insertUsing(['person_id', 'tag_id', 'tagged_at'],
                    $ids()->selectRaw('person_id, ?, ?', [(int) $act->data['tag'], $now])),
                // Whoever left themselves meanwhile has a later moment, and stays away.
                'unsubscribe' => DB::table('people')->whereIn('id', $ids()->select('person_id'))
                    ->when(isset($act->data['at']), fn (Builder $q) => $q->where('unsubscribed_at', $act->data['at']))
                    ->update(['unsubscribed_at' => null]),
                'start' => $this->sequences->leave($ids()->select('person_id'), $sequence, 'Removed from the sequence again by you.',
                    CarbonImmutable::now()),
                default => null,
            };
            if ($act->kind === 'stop' || $act->kind === 'unsubscribe') {
                // What was stopped by it goes on; what came due meanwhile goes out now. Who left themselves is left alone.
                $why = self::why($act);
                $ids = fn (): Builder => DB::table('bulk_act_people')->where('bulk_act_id', $act->id)
                    ->whereExists(fn (Builder $q) => $q->selectRaw('1')->from('people')->whereColumn('people.id', 'person_id')
                        ->whereNull('unsubscribed_at'));
                DB::table('enrolments')->whereIn('person_id', $ids()->select('person_id'))->where('ended_why', $why)
                    ->when($act->kind === 'stop', fn ($q) => $q->where('sequence_id', $sequence))
                    ->update(['ended_at' => null, 'ended_why' => null]);
                DB::table('messages')->whereIn('person_id', $ids()->select('person_id'))->where('state', MessageState::Cancelled)
                    ->where('trouble', $why)->when($act->kind === 'stop', fn ($q) => $q->where('sequence_id', $sequence))
                    ->update(['state' => MessageState::Waiting, 'trouble' => null, 'queued_at' => null, 'updated_at' => $now]);
            }
        });
    }

    /** Why emails stopped, written so that undoing finds exactly those. */
    public static function why(BulkAct $act): string
    {
        return ($act->kind === 'stop' ? 'Removed from the sequence by you' : 'Unsubscribed by you')." ({$act->id}).";
    }

    /** @return callable(): Builder */
    private function ids(BulkAct $act): callable
    {
        return fn (): Builder => DB::table('bulk_act_people')->where('bulk_act_id', $act->id);
    }
}
