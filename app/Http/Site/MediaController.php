<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Models\Upload;
use App\Serving\PlainPage;
use App\Support\AnswerKind;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Response;

/** Sends a picture in one of its widths, or a video, in pieces if the browser asks for pieces. */
final class MediaController
{
    public function __invoke(Request $request, string $upload, string $form): Response
    {
        $found = Upload::query()->whereIn('kind', ['picture', 'video', 'captions'])->find($upload);
        $path = $found === null ? false : array_search("/media/{$upload}/{$form}", $found->forms(), true);
        if ($found === null || $path === false || ! Storage::disk('uploads')->exists($path)) {
            return PlainPage::notHere()->response();
        }

        $size = Storage::disk('uploads')->size($path);
        // A piece from beyond the end is none (RFC 9110, 14.4); the framework would send the whole.
        if (preg_match('/^bytes=(\d{1,18})-\d*$/D', (string) $request->headers->get('Range'), $m) === 1 && (int) $m[1] >= $size) {
            return new PlainResponse('', 416, ['Content-Range' => "bytes */{$size}"] + AnswerKind::Media->headers());
        }

        return new BinaryFileResponse(Storage::disk('uploads')->path($path), 200, [
            'Content-Type' => $found->kind !== 'picture' ? $found->mime
                : ['webp' => 'image/webp', 'jpg' => 'image/jpeg', 'png' => 'image/png'][pathinfo($form, PATHINFO_EXTENSION)],
            'Cache-Control' => 'public, max-age=31536000, immutable',
        ] + AnswerKind::Media->headers());
    }
}
