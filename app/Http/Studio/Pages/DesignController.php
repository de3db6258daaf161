<?php

declare(strict_types=1);

namespace App\Http\Studio\Pages;

use App\Drafts\CleanDocument;
use App\Http\Studio\StudioController;
use App\Models\OwnDesign;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Look\Background;
use Lantern\Core\Plan\PageRole;
use Lantern\Core\Support\Invalid;

/** Pages and sections that an owner keeps as designs of their own. */
final class DesignController extends StudioController
{
    private const MOST = 100;

    public function index(): JsonResponse
    {
        $designs = OwnDesign::query()->where('business_id', $this->user()->business_id)->whereNull('deleted_at')->latest('id')
            ->get(['id', 'kind', 'name', 'role']);

        return response()->json(['designs' => $designs->map(self::json(...))->all()]);
    }

    public function store(Request $request): JsonResponse
    {
        $business = $this->user()->business_id;
        if (OwnDesign::query()->where('business_id', $business)->whereNull('deleted_at')->count() >= self::MOST) {
            throw Invalid::at('name', 'You keep '.self::MOST.' designs already. Remove one first.');
        }
        $given = $request->validate(['kind' => ['required', Rule::in(['page', 'section'])], 'name' => ['required', 'string', 'max:120'],
            'role' => ['required_if:kind,page', Rule::enum(PageRole::class)]],
            ['name.required' => 'Please give the design a name.', 'name.max' => 'A name has 120 characters at most.']);
        if ($given['kind'] === 'section') {
            $section = CleanDocument::one($request->input('section'), $business)->unshared(Ids::next());
            [$role, $document] = [$section->kind->value, new Document([$section], Background::paper())];
        } else {
            [$role, $document] = [(string) $given['role'], CleanDocument::of($request->input('document'), $business)];
            // A design stands on its own: what was shared comes along as a copy.
            $document = $document->with(array_map(fn ($s) => $s->unsharedUnless([]), $document->sections));
        }
        $design = OwnDesign::query()
            ->create(['id' => Ids::next(), 'business_id' => $business, 'kind' => $given['kind'], 'name' => trim($given['name']),
                'role' => $role, 'document' => $document->toArray()]);

        return response()->json(self::json($design), 201);
    }

    public function destroy(string $design): JsonResponse
    {
        return $this->set($design, CarbonImmutable::now());
    }

    public function restore(string $design): JsonResponse
    {
        return $this->set($design, null);
    }

    private function set(string $id, ?CarbonImmutable $deleted): JsonResponse
    {
        $design = OwnDesign::query()->where('business_id', $this->user()->business_id)->findOrFail($id);
        $design->forceFill(['deleted_at' => $deleted])->save();

        return response()->json(self::json($design));
    }

    /** @return array<string, string> */
    private static function json(OwnDesign $design): array
    {
        return ['id' => $design->id, 'kind' => $design->kind, 'name' => $design->name, 'role' => $design->role];
    }
}
