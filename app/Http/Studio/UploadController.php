<?php

declare(strict_types=1);

namespace App\Http\Studio;

use App\Files\Uploads;
use App\Models\Upload;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Support\Invalid;

/** The picture library. */
final class UploadController extends StudioController
{
    public function picture(Request $request, Uploads $uploads): JsonResponse
    {
        $file = $request->file('picture');
        if (! $file instanceof UploadedFile) {
            throw Invalid::at('picture', 'The picture did not arrive. Please bring it again; '.intdiv((int) config('lantern.uploads.picture_bytes'), 1024 * 1024).' MB at most.');
        }

        return response()->json(Json::picture($uploads->picture($this->business(), $file)), 201);
    }

    public function pictures(): JsonResponse
    {
        $pictures = Upload::query()->where('business_id', $this->user()->business_id)->where('kind', 'picture')->latest('id')->limit(60)->get();

        return response()->json(['pictures' => $pictures->map(Json::picture(...))->all()]);
    }
}
