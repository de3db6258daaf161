<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Drafts\DraftParts;
use App\Drafts\DraftRows;
use App\Drafts\Kinds\DraftKinds;
use App\Drafts\Kinds\LeadMagnetKind;
use App\Drafts\Kinds\ProductKind;
use App\Files\Uploads;
use App\Http\Studio\StudioController;
use App\Results\FieldCosts;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Forms\FormPlan;
use Lantern\Core\Offers\Product;
use Lantern\Core\Offers\ProductFile;
use Lantern\Core\Plan\LeadMagnet;
use Lantern\Core\Support\Invalid;

/** The parts of a draft, whatever their kind: added, changed, removed and brought back. */
final class PartController extends StudioController
{
    public function __construct(private readonly DraftParts $parts, private readonly DraftKinds $kinds)
    {
    }

    public function store(Request $request, string $funnel): JsonResponse
    {
        $found = $this->funnel($funnel);
        $kind = $request->input('kind');
        $row = DB::transaction(fn () => DraftRows::add($found,
            $this->kinds->named(is_string($kind) ? $kind : '')->fresh($found, $request->all())));

        return response()->json($this->kinds->json($row), 201);
    }

    public function update(Request $request, string $part): JsonResponse
    {
        return DB::transaction(function () use ($request, $part): JsonResponse {
            $found = $this->draftPart($part);
            $this->sameRevision($request, $found->revision);

            return response()->json($this->kinds->json($this->parts->change($found, $request->all())));
        });
    }

    public function destroy(string $part): JsonResponse
    {
        $found = $this->draftPart($part);

        return response()->json(['id' => $found->id, 'sentences' => $this->parts->remove($found)]);
    }

    public function restore(string $part): JsonResponse
    {
        return response()->json($this->kinds->json($this->parts->restore($this->draftPart($part))));
    }

    /** Another file for a lead magnet, or one more for a product. */
    public function file(Request $request, string $part, Uploads $uploads): JsonResponse
    {
        $found = $this->draftPart($part);
        if (! in_array($found->kind, [LeadMagnet::kind(), Product::kind()], true)) {
            throw Invalid::at('file', 'This holds no file.');
        }
        $file = $request->file('file');
        if (! $file instanceof UploadedFile) {
            throw Invalid::at('file', 'The file did not arrive. Please choose it again.');
        }
        DB::transaction(function () use ($found, $file, $uploads): void {
            $leadMagnet = $found->part();
            if ($leadMagnet instanceof LeadMagnet) {
                $found->put(LeadMagnetKind::with($leadMagnet, $uploads->file($this->business(), $file)))
                    ->forceFill(['revision' => $found->revision + 1])->save();
            } elseif ($leadMagnet instanceof Product) {
                if (count($leadMagnet->files) >= Product::MOST_FILES) {
                    throw Invalid::at('file', 'A product has '.Product::MOST_FILES.' files at most.');
                }
                $files = [...$leadMagnet->files, ProductKind::file($uploads->file($this->business(), $file))];
                $found->change(['files' => array_map(fn (ProductFile $f): array => $f->toArray(), $files)])
                    ->forceFill(['revision' => $found->revision + 1])->save();
            }
        });

        return response()->json($this->kinds->json($found));
    }

    /** What each further field of a form costs, from the owner's own results. */
    public function cost(Request $request, string $part): JsonResponse
    {
        $this->draftPart($part, FormPlan::kind());

        return response()->json(['advice' => FieldCosts::of($this->business())->words(Input::number($request, 'fields', 0, 0, 100))]);
    }
}
