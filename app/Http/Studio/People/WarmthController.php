<?php

declare(strict_types=1);

namespace App\Http\Studio\People;

use App\Http\Studio\Json\WarmthJson;
use App\Http\Studio\StudioController;
use App\Models\Person;
use App\Support\Input;
use App\Support\Instant;
use App\Warmth\Scores;
use App\Warmth\Suggestions;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Shape;
use Lantern\Core\Warmth\Band;
use Lantern\Core\Warmth\SpokenTo;
use Lantern\Core\Warmth\Weights;

/** Whom to write to first, and what that goes by. */
final class WarmthController extends StudioController
{
    private const MOST = 50;

    public function __construct(private readonly Scores $scores)
    {
    }

    public function index(Request $request): JsonResponse
    {
        $now = CarbonImmutable::now();
        $weights = Scores::weights($this->business());
        $long = Instant::sql(SpokenTo::longAgo($now, $this->business()->zone()));
        $people = $this->kept()->where('warmth', '>=', Band::Mild->least())
            ->where(fn (Builder $q) => $q->whereNull('spoken_at')->orWhere('spoken_at', '<', $long))
            ->with('business')->orderByDesc('warmth')->orderByDesc('active_at')->orderBy('id')
            ->limit(Input::number($request, 'most', self::MOST, 1, self::MOST))->get();

        return response()->json(['people' => array_values($people->map(function (Person $person) use ($weights, $now): array {
            $score = Scores::ofPerson($person, $weights, $now);

            return ['id' => $person->id, 'name' => $person->fullName(), 'email' => $person->email, 'score' => $score->value,
                'band' => $score->band()->value, 'bandLabel' => $score->band()->label(), 'reason' => WarmthJson::reason($score),
                'activeAt' => Instant::json($person->active_at)];
        })->all()), 'bands' => $this->bands(), 'weights' => WarmthJson::ofWeights($weights),
            'notices' => $this->business()->warmth_notices]);
    }

    /** Which actions came before buying more often than by chance, by the owner's own sales. */
    public function suggestions(): JsonResponse
    {
        return response()->json(WarmthJson::suggestions(Suggestions::of($this->business(), CarbonImmutable::now()),
            Scores::weights($this->business())));
    }

    /** Who would be how warm with other weights. Nothing is kept. */
    public function preview(Request $request): JsonResponse
    {
        $rows = $this->scores->preview($this->business(), Weights::fromShape(Shape::of($request->all())), CarbonImmutable::now(), 20);
        $people = Person::query()->whereIn('id', array_column($rows, 'id'))->get()->keyBy('id');

        return response()->json(['people' => array_map(fn (array $r): array => ['id' => $r['id'],
            'name' => $people[$r['id']]?->fullName() ?: (string) $people[$r['id']]?->email, 'now' => $r['now'], 'then' => $r['then'],
            'band' => Band::of($r['then'])->value], $rows)]);
    }

    public function update(Request $request): JsonResponse
    {
        $weights = Weights::fromShape(Shape::of($request->all()));
        $business = $this->business();
        DB::transaction(function () use ($business, $weights): void {
            $business->forceFill(['warmth' => $weights->toArray()])->save();
            $this->scores->refresh($business, CarbonImmutable::now());
        });

        return response()->json(['weights' => WarmthJson::ofWeights($weights), 'bands' => $this->bands()]);
    }

    /** Is the owner told by email when somebody becomes warm? From now on. */
    public function notices(Request $request): JsonResponse
    {
        $business = $this->business();
        $business->forceFill(['warmth_notices' => $request->boolean('on'), 'warmth_told' => (int) DB::table('events')->max('id')])->save();

        return response()->json(['notices' => $business->warmth_notices]);
    }

    /** The owner has spoken to somebody, or has not after all. */
    public function spoken(Request $request, string $person): JsonResponse
    {
        $found = $this->person($person);
        $found->forceFill(['spoken_at' => $request->isMethod('delete') ? null : CarbonImmutable::now()])->save();

        return response()->json(['id' => $found->id, 'spokenAt' => Instant::json($found->spoken_at)]);
    }

    /** @return list<array{band: string, label: string, from: int, people: int}> how many there are of each, the warmest first */
    private function bands(): array
    {
        $bands = [];
        $most = 101;
        foreach (array_reverse(Band::cases()) as $band) {
            $bands[] = ['band' => $band->value, 'label' => $band->label(), 'from' => $band->least(),
                'people' => $this->kept()->where('warmth', '>=', $band->least())->where('warmth', '<', $most)->count()];
            $most = $band->least();
        }

        return $bands;
    }

    /** @return Builder<Person> those whom emails reach */
    private function kept(): Builder
    {
        return Person::query()->where('business_id', $this->user()->business_id)->whereRaw(Scores::REACHED);
    }
}
