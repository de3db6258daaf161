<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;

/**
 * A file the owner brought: something to give away, or a picture (kept in several widths as WebP).
 *
 * @property string $id
 * @property int $business_id
 * @property string $kind `file` or `picture`
 * @property string $name as the owner's computer called it
 * @property string $mime by content
 * @property int $bytes
 * @property string $path in the uploads disk; for a picture, the folder of its widths
 * @property string $sha256
 * @property int|null $width
 * @property int|null $height
 * @property list<int>|null $widths
 */
final class Upload extends Record
{
    use HasUlids;

    /** @var array<string, string> */
    protected $casts = ['widths' => 'array'];

    /** The address of the picture in its middle width, for browsers that cannot choose. */
    public function src(): string
    {
        $widths = $this->widths ?? [];

        return $this->at($widths[intdiv(count($widths) - 1, 2)] ?? 0);
    }

    public function srcset(): string
    {
        return implode(', ', array_map(fn (int $width): string => $this->at($width)." {$width}w", $this->widths ?? []));
    }

    private function at(int $width): string
    {
        return "/media/{$this->id}/{$width}.webp";
    }
}
