<?php

declare(strict_types=1);

namespace App\Http\Studio\Mail;

use App\Drafts\DraftPlan;
use App\Http\Studio\Json;
use App\Http\Studio\StudioController;
use App\Mail\Sequences\Replanner;
use App\Mail\Sequences\ResumeSequence;
use App\Models\Sequence;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Sequences\SequencePlan;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** The sequences of a funnel. Their rules are drafted and published; standing still holds at once. */
final class SequenceController extends StudioController
{
    private const MOST = 20;

    public function store(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $count = $found->sequences()->count();
        if ($count >= self::MOST) {
            throw Invalid::at('sequences', 'A funnel has '.self::MOST.' sequences at most.');
        }
        $name = trim($request->string('name')->toString());
        $plan = new SequencePlan(Ids::next(), mb_substr($name === '' ? ($count === 0 ? 'Follow-up' : 'Sequence '.($count + 1)) : $name, 0, 120));
        $sequence = Sequence::query()->create(['id' => $plan->id, 'funnel_id' => $found->id, 'name' => $plan->name, 'definition' => DraftPlan::definition($plan)]);

        return response()->json(Json::sequence($sequence), 201);
    }

    public function update(Request $request, string $sequence): JsonResponse
    {
        return DB::transaction(function () use ($request, $sequence): JsonResponse {
            $found = $this->part(Sequence::class, $sequence);
            $this->sameRevision($request, $found->revision);
            $typed = $request->only(['name', 'starts', 'ends', 'again', 'window', 'byReader']);
            // An empty window is no window: always.
            if (array_key_exists('window', $typed) && in_array($typed['window'], [null, []], true)) {
                unset($typed['window']);
                $found->definition = array_diff_key($found->definition, ['window' => 0]);
            }
            $plan = SequencePlan::fromShape(Shape::of($typed + ['id' => $found->id, 'name' => $found->name] + $found->definition));
            $forms = $found->funnel->forms()->pluck('id')->all();
            if (array_diff([...$plan->starts->references(), ...$plan->ends->references()], $forms) !== []) {
                throw Invalid::at('starts', 'One of these forms is not in this funnel any more.');
            }
            $found->forceFill(['name' => $plan->name, 'definition' => DraftPlan::definition($plan), 'revision' => $found->revision + 1])->save();

            return response()->json(Json::sequence($found));
        });
    }

    public function destroy(string $sequence): JsonResponse
    {
        $found = $this->part(Sequence::class, $sequence);
        if (DB::table('emails')->where('sequence_id', $found->id)->whereNull('deleted_at')->exists()) {
            throw Invalid::at('sequence', 'There are emails in this sequence. Take them out first, or put them into another one.');
        }
        $found->forceFill(['deleted_at' => CarbonImmutable::now()])->save();

        return response()->json(['id' => $found->id]);
    }

    public function restore(string $sequence): JsonResponse
    {
        $found = $this->part(Sequence::class, $sequence);
        $found->forceFill(['deleted_at' => null])->save();

        return response()->json(Json::sequence($found));
    }

    public function pause(string $sequence): JsonResponse
    {
        $found = $this->part(Sequence::class, $sequence);
        if ($found->resumes_at !== null) {
            throw Invalid::at('sequence', 'It is just going on again for everybody in it. Try once more in a minute.');
        }
        $found->forceFill(['paused_at' => $found->paused_at ?? CarbonImmutable::now()])->save();

        return response()->json(Json::sequence($found));
    }

    public function resume(string $sequence): JsonResponse
    {
        $found = $this->part(Sequence::class, $sequence);
        ResumeSequence::dispatch($found->id);

        return response()->json(Json::sequence($found));
    }

    /** What publishing would mean for the people who are in the sequences now. */
    public function affected(string $funnel, Replanner $replanner): JsonResponse
    {
        $found = $this->funnel($funnel);

        return response()->json(['affected' => $replanner->preview($found, DraftPlan::read($found), CarbonImmutable::now())]);
    }
}
