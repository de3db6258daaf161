<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\VideoFile;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Support\Facades\Storage;

/**
 * A file the owner brought: something to give away, or a picture (kept in several widths as WebP).
 *
 * @property string $id
 * @property int $business_id
 * @property string $kind `file`, `picture`, `video` or `captions`; `incoming` for a picture that is still to be drawn
 * @property string $name as the owner's computer called it
 * @property string $mime by content
 * @property int $bytes
 * @property string $path in the uploads disk; for a picture, the folder of its widths
 * @property string $sha256
 * @property int|null $width
 * @property int|null $height
 * @property list<int>|null $widths
 * @property array{float, float}|null $tones how dark and how light a picture gets, as relative luminance
 * @property int|null $seconds how long a video is; null where its file does not say
 * @property string|null $trouble why a picture could not be drawn
 * @property string|null $fallback the ending of the copy in the middle width for browsers that know no WebP: jpg or png
 */
final class Upload extends Record
{
    use HasUlids;

    /** The kind of a picture that is still to be drawn. */
    public const INCOMING = 'incoming';

    /** @var array<string, string> */
    protected $casts = ['widths' => 'array', 'tones' => 'array'];

    protected $attributes = ['width' => null, 'height' => null, 'widths' => null, 'tones' => null, 'fallback' => null,
        'trouble' => null, 'seconds' => null];

    /** The middle one of a picture's widths. */
    public function middle(): int
    {
        $widths = $this->widths ?? [];

        return $widths[intdiv(count($widths) - 1, 2)] ?? 0;
    }

    /** How long a video is, in seconds. Its file is read for it once. */
    public function length(): ?int
    {
        if ($this->seconds === null && Storage::disk('uploads')->exists($this->path)) {
            // 0 is kept for what does not say.
            $this->forceFill(['seconds' => VideoFile::seconds(Storage::disk('uploads')->path($this->path)) ?? 0])->save();
        }

        return ($this->seconds ?? 0) > 0 ? $this->seconds : null;
    }

    /** The address of the picture in its middle width, for browsers that cannot choose. */
    public function src(): string
    {
        if ($this->kind === 'captions') {
            return "/media/{$this->id}/captions.vtt";
        }

        return $this->kind === 'video' ? "/media/{$this->id}/video.".($this->mime === 'video/webm' ? 'webm' : 'mp4')
            : "/media/{$this->id}/{$this->middle()}.".($this->fallback ?? 'webp');
    }

    public function srcset(): string
    {
        return implode(', ', array_map(fn (int $width): string => "/media/{$this->id}/{$width}.webp {$width}w", $this->widths ?? []));
    }

    /** @return array<string, string> the addresses of all its forms, by the path they are kept at in the uploads disk */
    public function forms(): array
    {
        if ($this->kind === 'video' || $this->kind === 'captions') {
            return [$this->path => $this->src()];
        }
        $forms = $this->fallback === null ? [] : ["{$this->path}/{$this->middle()}.{$this->fallback}" => $this->src()];
        foreach ($this->widths ?? [] as $width) {
            $forms["{$this->path}/{$width}.webp"] = "/media/{$this->id}/{$width}.webp";
        }

        return $forms;
    }
}
