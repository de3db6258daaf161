<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Upload;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\Support\Invalid;

/** Draws a large picture. Safe to run twice and to die at any point: until it is drawn whole, it is not in the library. */
final class DrawPicture implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 80;

    public function __construct(public readonly string $upload)
    {
    }

    public function handle(): void
    {
        $upload = Upload::query()->where('kind', Upload::INCOMING)->whereNull('trouble')->find($this->upload);
        if ($upload === null) {
            return;
        }
        $file = $upload->path;
        // Forty megapixels unpacked are larger than what many installations allow a process.
        ini_set('memory_limit', '1G');
        try {
            Pictures::draw($upload, Storage::disk('uploads')->path($file));
        } catch (Invalid $e) {
            $upload->forceFill(['trouble' => $e->getMessage()])->save();
        }
        Storage::disk('uploads')->delete($file);
    }

    /** Whatever it was, the owner is told, and what came in goes. */
    public function failed(): void
    {
        $upload = Upload::query()->where('kind', Upload::INCOMING)->find($this->upload);
        if ($upload !== null) {
            Storage::disk('uploads')->delete($upload->path);
            $upload->forceFill(['trouble' => 'This picture could not be prepared. Please make it smaller and choose it again.'])->save();
        }
    }
}
