<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Upload;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;

/** Sends a picture in one of its widths. */
final class MediaController
{
    public function __invoke(string $upload, string $width): Response
    {
        $picture = Upload::query()->where('kind', 'picture')->find($upload);
        if ($picture === null || ! in_array((int) $width, $picture->widths ?? [], true)) {
            return Notice::notHere()->response();
        }

        return new BinaryFileResponse(Storage::disk('uploads')->path("{$picture->path}/{$width}.webp"), 200, [
            'Content-Type' => 'image/webp',
            'X-Content-Type-Options' => 'nosniff',
            'Cache-Control' => 'public, max-age=31536000, immutable',
        ]);
    }
}
