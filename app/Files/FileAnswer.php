<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Upload;
use App\Support\AnswerKind;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\ResponseHeaderBag;

/** A file of the library as somebody downloads it; null where it is gone. */
final class FileAnswer
{
    public static function of(Upload $upload): ?BinaryFileResponse
    {
        if (! Storage::disk('uploads')->exists($upload->path)) {
            return null;
        }
        $response = new BinaryFileResponse(Storage::disk('uploads')->path($upload->path), 200, [
            'Content-Type' => $upload->mime,
            'ETag' => '"'.$upload->sha256.'"',
        ] + AnswerKind::Download->headers(), false);
        $response->setContentDisposition(ResponseHeaderBag::DISPOSITION_ATTACHMENT, $upload->name,
            (string) preg_replace('/[^\x20-\x7e]|[%\/\\\\"]/', '_', $upload->name));

        return $response;
    }
}
