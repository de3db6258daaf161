<?php

declare(strict_types=1);

namespace App\Http\Studio\Rules;

use App\Automation\OwnerRules;
use App\Http\Studio\Json\RuleJson;
use App\Http\Studio\StudioController;
use App\Journey\BusinessRules;
use App\Models\BusinessRule;
use App\Models\DraftPart;
use App\Models\Funnel;
use App\Models\Person;
use App\Models\RuleRun;
use App\Models\RuleRunState;
use App\Records\RuleNames;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Automation\AutomationRule;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Rules of the whole business; and of all rules, those of funnels too, what they did and whether they stand still. */
final class RuleController extends StudioController
{
    private const PER_PAGE = 25;

    public function __construct(private readonly OwnerRules $rules)
    {
    }

    public function index(): JsonResponse
    {
        $own = BusinessRule::query()->where('business_id', $this->business()->id)->whereNull('removed_at')->orderBy('position')
            ->orderBy('id')->get();
        $parts = DraftPart::query()->with('funnel')->where('kind', AutomationRule::kind())->whereNull('removed')
            ->whereHas('funnel', fn ($q) => $q->where('business_id', $this->business()->id)->whereNull('archived_at'))
            ->orderBy('funnel_id')->orderBy('position')->orderBy('id')->get();
        $numbers = RuleJson::numbers([...$own->modelKeys(), ...$parts->modelKeys()]);

        return response()->json(['rules' => $own->map(fn (BusinessRule $r): array => RuleJson::of($r, $this->rules))->all(),
            'ofFunnels' => $parts->map(fn (DraftPart $p): array => ['id' => $p->id, 'name' => $p->name,
                'funnel' => ['id' => $p->funnel_id, 'name' => $p->funnel->name], 'live' => self::isLive($p)] + self::ofPart($p))->all(),
            'numbers' => (object) $numbers, 'most' => AutomationRule::most()]);
    }

    /** @return array<string, mixed> */
    private static function ofPart(DraftPart $row): array
    {
        $rule = $row->part();

        return ! $rule instanceof AutomationRule ? [] : RuleNames::json($rule, $row->funnel->business_id,
            DB::table('rule_pauses')->where('rule_id', $row->id)->exists());
    }

    private static function isLive(DraftPart $row): bool
    {
        return $row->funnel->liveVersion?->plan()->part($row->id) !== null;
    }

    public function store(Request $request): JsonResponse
    {
        return response()->json(RuleJson::of($this->rules->add($this->business(), $request->all()), $this->rules), 201);
    }

    public function update(Request $request, string $rule): JsonResponse
    {
        $found = $this->rule($rule);
        $this->sameRevision($request, $found->revision);

        return response()->json(RuleJson::of($this->rules->change($found, $request->all()), $this->rules));
    }

    public function destroy(string $rule): JsonResponse
    {
        $this->rules->remove($this->rule($rule));

        return response()->json(['id' => $rule]);
    }

    public function restore(string $rule): JsonResponse
    {
        return response()->json(RuleJson::of($this->rules->restore($this->rule($rule)), $this->rules));
    }

    public function order(Request $request): JsonResponse
    {
        $ids = array_values(array_filter((array) $request->input('ids'), is_string(...)));
        $known = BusinessRule::query()->where('business_id', $this->business()->id)->whereNull('removed_at')
            ->pluck('id')->sort()->values()->all();
        if (collect($ids)->sort()->values()->all() !== $known) {
            throw Invalid::at('ids', 'The rules have changed in another window. Please load this page anew.');
        }
        $this->rules->order($this->business(), $ids);

        return response()->json(['ids' => $ids]);
    }

    /** It stands still at once, whatever is drafted: nothing sets it off, and what it has waiting for people waits on. */
    public function pause(string $rule, BusinessRules $known): JsonResponse
    {
        $id = $this->any($rule);
        DB::table('rule_pauses')->insertOrIgnore(['rule_id' => $id, 'paused_at' => Instant::sql(CarbonImmutable::now())]);
        $known->forget();

        return response()->json(['id' => $id, 'paused' => true]);
    }

    public function resume(string $rule, BusinessRules $known): JsonResponse
    {
        $id = $this->any($rule);
        DB::table('rule_pauses')->where('rule_id', $id)->delete();
        $known->forget();

        return response()->json(['id' => $id, 'paused' => false]);
    }

    /** What a rule did, to whom and why, the newest first. */
    public function log(Request $request, string $rule): JsonResponse
    {
        $state = RuleRunState::tryFrom(Input::text($request, 'state'));
        $found = RuleRun::query()->where('rule_id', $this->any($rule))->when($state !== null, fn ($q) => $q->where('state', $state))
            ->orderByDesc('id')->paginate(self::PER_PAGE, ['*'], 'page', Input::number($request, 'page', 1, 1, 100_000));
        $people = Person::query()->whereIn('id', array_map(fn (RuleRun $r): string => $r->person_id, $found->items()))->get()->keyBy('id');

        return response()->json(['total' => $found->total(), 'page' => $found->currentPage(), 'pages' => $found->lastPage(),
            'runs' => array_map(fn (RuleRun $r): array => RuleJson::run($r, $people[$r->person_id] ?? null), $found->items())]);
    }

    /** How the rules of a funnel are at work. */
    public function numbers(string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);

        return response()->json(['numbers' => (object) RuleJson::numbers(array_values(array_map(strval(...), DraftPart::there($found->id,
            AutomationRule::kind())->pluck('id')->all())))]);
    }

    private function rule(string $id): BusinessRule
    {
        return Ids::is($id) ? BusinessRule::query()->where('business_id', $this->business()->id)->findOrFail($id)
            : throw new NotFoundHttpException;
    }

    /** The id of a rule of the owner's, of the business or of a funnel. */
    private function any(string $id): string
    {
        $own = Ids::is($id) ? BusinessRule::query()->where('business_id', $this->business()->id)->find($id) : null;

        return $own instanceof BusinessRule ? $own->id : $this->draftPart($id, AutomationRule::kind())->id;
    }
}
