<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use App\Drafts\Kinds\DraftKind;
use App\Drafts\Kinds\DraftKinds;
use App\Http\Studio\StudioController;
use App\Models\Funnel;
use App\Models\Message;
use App\Models\Person;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Plan\PartKinds;

/** Finds anything by a few letters of it. */
final class SearchController extends StudioController
{
    public function __construct(private readonly DraftKinds $kinds)
    {
    }

    public function __invoke(Request $request): JsonResponse
    {
        $search = Input::search($request, 'q');
        if ($search === '') {
            return response()->json(['found' => []]);
        }
        $like = Input::pattern($search);
        $business = $this->user()->business_id;
        $funnels = Funnel::query()->where('business_id', $business)->whereNull('archived_at')
            ->whereRaw("folded(name) like ? escape '\\'", [$like])->limit(6)->get();
        $opening = array_filter($this->kinds->all(), fn (DraftKind $kind): bool => $kind->opens());
        $parts = DB::table('draft_parts')->join('funnels', 'funnels.id', '=', 'draft_parts.funnel_id')->where('business_id', $business)
            ->whereNull('archived_at')->whereIn('kind', array_keys($opening))->whereNull('removed')
            ->whereRaw("folded(draft_parts.name) like ? escape '\\'", [$like])->orderBy('draft_parts.id')->limit(12)
            ->get(['draft_parts.id', 'draft_parts.kind', 'draft_parts.name', 'funnels.id as funnel_id', 'funnels.name as funnel']);
        $people = Person::query()->where('business_id', $business)->whereRaw("found_by like ? escape '\\'",
            [$like])->latest('joined_at')->limit(6)->get();
        $messages = Message::query()->where('business_id', $business)->whereRaw("folded(subject) like ? escape '\\'", [$like])
            ->latest('due_at')->limit(4)->get(['id', 'subject', 'to_address']);

        return response()->json(['found' => [
            ...$funnels->map(fn (Funnel $f): array => ['kind' => 'Funnel', 'label' => $f->name, 'note' => $f->state,
                'to' => "/funnels/{$f->id}"])->all(),
            ...$parts->map(fn ($p): array => ['kind' => ucfirst(PartKinds::named((string) $p->kind)::label()), 'label' => $p->name,
                'note' => $p->funnel, 'to' => "/funnels/{$p->funnel_id}/{$p->kind}/{$p->id}"])->all(),
            ...$people->map(fn (Person $p): array => ['kind' => 'Person', 'label' => trim("{$p->first_name} {$p->last_name}") ?: $p->email,
                'note' => $p->email,
                'to' => "/people/{$p->id}"])->all(),
            ...$messages->map(fn (Message $m): array => ['kind' => 'Message', 'label' => $m->subject, 'note' => $m->to_address,
                'to' => "/emails/{$m->id}"])->all(),
        ]]);
    }
}
