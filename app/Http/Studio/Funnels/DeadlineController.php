<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Deadlines\ByHand;
use App\Deadlines\DeadlineNumbers;
use App\Deadlines\MovingRuns;
use App\Drafts\DraftPlan;
use App\Http\Studio\StudioController;
use App\Models\Funnel;
use App\Support\Input;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Deadlines\ForEveryone;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** A deadline on the desk: who is in it, how it plays out for three people, and what the owner does to one person's. */
final class DeadlineController extends StudioController
{
    private const PER_PAGE = 50;

    public function show(Request $request, string $part): JsonResponse
    {
        $found = $this->draftPart($part, Deadline::kind());
        $deadline = $found->part();
        $now = CarbonImmutable::now();
        $state = Input::text($request, 'state');
        $state = in_array($state, DeadlineNumbers::STATES, true) ? $state : 'running';
        $page = Input::number($request, 'page', 1, 1, 100_000);
        $plan = DraftPlan::read($found->funnel);
        $people = DeadlineNumbers::people($found->id, $state, $now)->offset(($page - 1) * self::PER_PAGE)->limit(self::PER_PAGE)
            ->get(['people.id', 'people.first_name', 'people.last_name', 'people.email', 'started_at', 'ends_at', 'why']);

        return response()->json(['numbers' => DeadlineNumbers::of($found->id, $now), 'state' => $state,
            'people' => $people->map(fn ($p): array => ['id' => $p->id, 'name' => trim("{$p->first_name} {$p->last_name}"),
                'email' => $p->email, 'startedAt' => Instant::jsonFromSql($p->started_at), 'endsAt' => Instant::jsonFromSql($p->ends_at),
                'why' => $p->why])->all(),
            'sales' => $deadline instanceof Deadline ? DeadlineNumbers::sales($found->id, DeadlineNumbers::products($plan, $deadline))
                : null,
            'currency' => $found->funnel->sellsIn()]);
    }

    /** How a deadline as it stands on the screen plays out for three people. Nothing is stored. */
    public function examples(Request $request, string $part): JsonResponse
    {
        $found = $this->draftPart($part, Deadline::kind());
        $given = array_intersect_key($request->all(), ['duration' => 0, 'latest' => 0]);
        $deadline = Deadline::fromShape(Shape::of($given + $found->part()->toArray()));
        $now = CarbonImmutable::now();
        $zone = $found->funnel->business->zone();
        $examples = [];
        $opens = DraftPlan::read($found->funnel)->times->opens?->at();
        foreach (self::people($now, $zone, $deadline->isPersonal()) as [$who, $start, $theirs]) {
            $run = $deadline->isPersonal() ? $deadline->begin($start, $theirs)
                : $deadline->forEveryone($opens === null ? $now : max($opens, $now));
            $examples[] = ['who' => $who, 'zone' => $theirs->getName(), 'startsAt' => Instant::json($run->startedAt ?? $start),
                'startWords' => TimeWords::moment($run->startedAt ?? $start, $theirs, 'en', $now),
                'endsAt' => Instant::json($run?->endsAt),
                'endWords' => $run === null ? 'It would be over before it starts.' : TimeWords::moment($run->endsAt, $theirs, 'en', $now),
                'lasts' => $run === null ? '' : TimeWords::left($run->endsAt->getTimestamp() - $run->startedAt->getTimestamp(), 'en')];
        }

        return response()->json(['examples' => $examples, 'words' => $deadline->words(DraftPlan::read($found->funnel)->nameOf(...))]);
    }

    /**
     * Somebody on a Friday night, somebody on the day before the clocks change where the owner is, and somebody far away. A
     * moment for everyone differs by where one is alone.
     *
     * @return list<array{string, CarbonImmutable, DateTimeZone}>
     */
    private static function people(CarbonImmutable $now, DateTimeZone $zone, bool $personal): array
    {
        $friday = $now->setTimezone($zone)->next(CarbonImmutable::FRIDAY)->setTime(22, 30);
        $changes = $zone->getTransitions($now->getTimestamp(), $now->addYear()->getTimestamp()) ?: [];
        $change = isset($changes[1]) ? CarbonImmutable::createFromTimestamp($changes[1]['ts'], $zone)->subDay()->setTime(18, 0) : null;
        $far = new DateTimeZone(abs($zone->getOffset($now) - 46_800) < 20_000 ? 'America/Los_Angeles' : 'Pacific/Auckland');

        if (! $personal) {
            return [['In your time zone', $now, $zone], ['In a zone far away', $now, $far]];
        }

        return [['On a Friday night', $friday, $zone],
            $change === null ? ['On the last evening of a month', $now->setTimezone($zone)->endOfMonth()->setTime(18, 0), $zone]
                : ['On the day before the clocks change', $change, $zone],
            ['In a zone far away', $friday, $far]];
    }

    /** What publishing the draft could mean for deadlines that run. */
    public function running(string $funnel, MovingRuns $runs): JsonResponse
    {
        $found = $this->funnel($funnel)->load(['liveVersion', 'business']);

        return response()->json(['deadlines' => $runs->preview($found, DraftPlan::read($found), CarbonImmutable::now())]);
    }

    /** Starts, moves, ends or takes away the deadline of one person. */
    public function byHand(Request $request, string $person, string $part, ByHand $hand): JsonResponse
    {
        $who = $this->person($person)->load('business');
        $row = $this->draftPart($part, Deadline::kind());
        $funnel = Funnel::query()->with('liveVersion')->findOrFail($row->funnel_id);
        $live = $funnel->liveVersion?->plan();
        $deadline = $live?->deadline($row->id)
            ?? throw Invalid::at('deadline', 'This deadline is not live yet. Publish the funnel first.');
        $user = $this->user()->id;
        match (Input::text($request, 'act')) {
            'start' => $hand->start($who, $funnel, $deadline, $user),
            'move' => $hand->move($who, $funnel, $deadline, CarbonImmutable::instance(ForEveryone::of(Input::text($request, 'until'),
                $who->timezone ?? $who->business->timezone, 'until')->at()), $user),
            'end' => $hand->end($who, $funnel, $deadline, $user),
            'remove' => $hand->remove($who, $funnel, $deadline, $user),
            default => throw Invalid::at('act', 'A deadline is started, moved, ended or removed.'),
        };

        return response()->json(['id' => $row->id]);
    }
}
