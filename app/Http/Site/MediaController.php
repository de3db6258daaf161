<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Upload;
use App\Serving\PlainPage;
use App\Support\AnswerKind;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;

/** Sends a picture in one of its widths, or a video, in pieces if the browser asks for pieces. */
final class MediaController
{
    public function __invoke(string $upload, string $form): Response
    {
        $found = Upload::query()->whereIn('kind', ['picture', 'video', 'captions'])->find($upload);
        $path = $found === null ? false : array_search("/media/{$upload}/{$form}", $found->forms(), true);
        if ($found === null || $path === false || ! Storage::disk('uploads')->exists($path)) {
            return PlainPage::notHere()->response();
        }

        return new BinaryFileResponse(Storage::disk('uploads')->path($path), 200, [
            'Content-Type' => $found->kind !== 'picture' ? $found->mime
                : ['webp' => 'image/webp', 'jpg' => 'image/jpeg', 'png' => 'image/png'][pathinfo($form, PATHINFO_EXTENSION)],
            'Cache-Control' => 'public, max-age=31536000, immutable',
        ] + AnswerKind::Media->headers());
    }
}
