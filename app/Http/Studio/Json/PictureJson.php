<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Upload;
use App\Support\Hosts;

/** A picture or a video of the library. */
final class PictureJson
{
    /** @return array<string, mixed> */
    public static function of(Upload $picture): array
    {
        return ['id' => $picture->id, 'name' => $picture->name,
            'src' => $picture->kind === Upload::INCOMING ? '' : Hosts::site().$picture->src(), 'width' => $picture->width,
            'height' => $picture->height, 'seconds' => $picture->kind === 'video' ? $picture->length() : null,
            'bytes' => $picture->bytes, 'waiting' => $picture->kind === Upload::INCOMING, 'trouble' => $picture->trouble];
    }
}
