<?php

declare(strict_types=1);

namespace App\Http\Studio\Pages;

use App\Drafts\CleanDocument;
use App\Http\Studio\Json;
use App\Http\Studio\StudioController;
use App\Models\Funnel;
use App\Models\Page;
use App\Models\SharedSection;
use App\Support\Ids;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Page\Document;
use Lantern\Core\Support\Invalid;

/** Sections kept once and shown on many pages of a funnel. */
final class SharedSectionController extends StudioController
{
    private const MOST = 30;

    private const RULES = ['name' => ['sometimes', 'required', 'string', 'max:120']];

    private const MESSAGES = ['name.required' => 'Please give the shared section a name. Only you will see it.', 'name.max' => 'A name has 120 characters at most.'];

    public function store(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        if (SharedSection::query()->where('funnel_id', $found->id)->count() >= self::MOST) {
            throw Invalid::at('shared', 'A funnel has '.self::MOST.' shared sections at most.');
        }
        $given = $request->validate(['name' => ['required', 'string', 'max:120']], self::MESSAGES);
        $section = CleanDocument::one($request->input('section'), $found->business_id)->unshared(Ids::next());
        $shared = SharedSection::query()->create(['id' => Ids::next(), 'funnel_id' => $found->id, 'name' => trim($given['name']), 'section' => $section->toArray()]);

        return response()->json(Json::sharedSection($shared), 201);
    }

    public function update(Request $request, string $shared): JsonResponse
    {
        return DB::transaction(function () use ($request, $shared): JsonResponse {
            $found = $this->part(SharedSection::class, $shared);
            $this->sameRevision($request, $found->revision);
            $given = $request->validate(self::RULES, self::MESSAGES);
            if ($request->has('section')) {
                $given['section'] = CleanDocument::one($request->input('section'), $found->funnel->business_id)->toArray();
            }
            $found->forceFill($given + ['revision' => $found->revision + 1])->save();

            return response()->json(Json::sharedSection($found));
        });
    }

    public function destroy(string $shared): JsonResponse
    {
        $found = $this->part(SharedSection::class, $shared);
        $on = self::shownOn($found->funnel, $found->id);
        if ($on !== []) {
            throw Invalid::at('shared', '“'.$found->name.'” is still shown on '.implode(', ', array_map(fn (Page $p): string => "“{$p->name}”", $on)).'. Take it off there first.');
        }
        $found->delete();

        return response()->json(['id' => $found->id]);
    }

    /** @return list<Page> */
    private static function shownOn(Funnel $funnel, string $shared): array
    {
        return array_values($funnel->pages()->get()->filter(fn (Page $p): bool => in_array($shared, Document::fromArray($p->document)->shared(), true))->all());
    }
}
