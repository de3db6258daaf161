<?php

declare(strict_types=1);

namespace App\Http\Studio\Mail;

use App\Drafts\DraftPlan;
use App\Drafts\Kinds\DraftKinds;
use App\Http\Studio\StudioController;
use App\Mail\Sequences\Replanner;
use App\Mail\Sequences\ResumeSequence;
use App\Mail\Sequences\SequenceNumbers;
use App\Models\SequencePause;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;

/** Sequences at work: they stand still and go on at once, whatever is drafted. */
final class SequenceController extends StudioController
{
    public function __construct(private readonly DraftKinds $kinds)
    {
    }

    /** All that are at work, in every funnel, with what they sent in the last four weeks. */
    public function index(SequenceNumbers $numbers): JsonResponse
    {
        return response()->json(['sequences' => $numbers->atWork($this->business(), CarbonImmutable::now()->subDays(28))]);
    }

    public function pause(string $sequence): JsonResponse
    {
        $found = $this->draftPart($sequence, SequencePlan::kind());
        DB::transaction(function () use ($found): void {
            if (SequencePause::query()->find($found->id)?->resumes_at !== null) {
                throw Invalid::at('sequence', 'It is just going on again for everybody in it. Try once more in a minute.');
            }
            DB::table('sequence_pauses')
                ->insertOrIgnore(['sequence_id' => $found->id, 'paused_at' => Instant::sql(CarbonImmutable::now())]);
        });

        return response()->json($this->kinds->json($found));
    }

    public function resume(string $sequence): JsonResponse
    {
        $found = $this->draftPart($sequence, SequencePlan::kind());
        ResumeSequence::dispatch($found->id);

        return response()->json($this->kinds->json($found));
    }

    /** What publishing would mean for the people who are in the sequences now. */
    public function affected(string $funnel, Replanner $replanner): JsonResponse
    {
        $found = $this->funnel($funnel);

        return response()->json(['affected' => $replanner->preview($found, DraftPlan::read($found), CarbonImmutable::now())]);
    }
}
