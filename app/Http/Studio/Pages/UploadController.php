<?php

declare(strict_types=1);

namespace App\Http\Studio\Pages;

use App\Files\Uploads;
use App\Http\Studio\Json\PictureJson;
use App\Http\Studio\StudioController;
use App\Models\Upload;
use App\Support\Input;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Lantern\Core\Support\Invalid;

/** The library of pictures and videos. */
final class UploadController extends StudioController
{
    public function picture(Request $request, Uploads $uploads): JsonResponse
    {
        $file = $request->file('picture');
        if (! $file instanceof UploadedFile) {
            throw Invalid::at('picture', 'The picture did not arrive. Please choose it again; '
                .Uploads::words((int) config('lantern.uploads.picture_bytes')).' at most.');
        }

        $picture = $uploads->picture($this->business(), $file);

        return response()->json(PictureJson::of($picture), $picture->kind === Upload::INCOMING ? 202 : 201);
    }

    /** A picture that came in: asked for again and again until it is drawn. */
    public function show(string $upload): JsonResponse
    {
        return response()->json(PictureJson::of(Upload::query()->where('business_id', $this->user()->business_id)
            ->whereIn('kind', ['picture', Upload::INCOMING])->findOrFail($upload)));
    }

    public function video(Request $request, Uploads $uploads): JsonResponse
    {
        $file = $request->file('video');
        if (! $file instanceof UploadedFile) {
            throw Invalid::at('video', 'The video did not arrive. Please choose it again; '
                .Uploads::words((int) config('lantern.uploads.video_bytes')).' at most.');
        }

        return response()->json(PictureJson::of($uploads->video($this->business(), $file)), 201);
    }

    public function videos(): JsonResponse
    {
        $videos = Upload::query()->where('business_id', $this->user()->business_id)->where('kind', 'video')->latest('id')->limit(60)->get();

        return response()->json(['videos' => $videos->map(PictureJson::of(...))->all()]);
    }

    public function pictures(Request $request): JsonResponse
    {
        $search = Input::search($request);
        $pictures = Upload::query()->where('business_id', $this->user()->business_id)->where('kind', 'picture')
            ->when($search !== '', fn ($q) => $q->whereRaw('folded(name) like ? escape ?', [Input::pattern($search), '\\']))
            ->latest('id')->limit(60)->get();

        return response()->json(['pictures' => $pictures->map(PictureJson::of(...))->all()]);
    }
}
