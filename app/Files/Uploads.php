<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Business;
use App\Models\Upload;
use App\Support\Ids;
use finfo;
use GdImage;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Tones;
use Lantern\Core\Support\Invalid;

/** Takes in the owner's files: judged by content, kept under random names outside the web root. */
final class Uploads
{
    /** What may be given away, by content, with the endings that may go with it. */
    private const FILES = [
        'application/pdf' => ['pdf'],
        'application/zip' => ['zip'],
        'application/epub+zip' => ['epub'],
        'application/vnd.openxmlformats-officedocument.wordprocessingml.document' => ['docx'],
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' => ['xlsx'],
        'application/vnd.openxmlformats-officedocument.presentationml.presentation' => ['pptx'],
        'image/png' => ['png'],
        'image/jpeg' => ['jpg', 'jpeg'],
        'audio/mpeg' => ['mp3'],
        'audio/x-m4a' => ['m4a'],
        'audio/x-wav' => ['wav'],
        'video/mp4' => ['mp4', 'm4v'],
    ];

    private const WIDTHS = [480, 960, 1600];

    /** Does the name end as files of this kind do? What it ends in decides what opens it. */
    public static function isNamed(string $mime, string $name): bool
    {
        return in_array(strtolower(pathinfo($name, PATHINFO_EXTENSION)), self::FILES[$mime] ?? [], true);
    }

    /** @return list<string> */
    public static function mimes(): array
    {
        return array_keys(self::FILES);
    }

    public function file(Business $business, UploadedFile $file): Upload
    {
        $bytes = $this->bytes($file, (int) config('lantern.uploads.file_bytes'), 'file');
        $name = $this->name($file);
        $mime = $this->mime($file);
        $ending = strtolower(pathinfo($name, PATHINFO_EXTENSION));
        // A document of the office kinds is a zip; older detectors see no more than that.
        if ($mime === 'application/zip' && in_array($ending, ['epub', 'docx', 'xlsx', 'pptx'], true)) {
            $mime = (string) array_key_first(array_filter(self::FILES, fn (array $endings): bool => in_array($ending, $endings, true)));
        }
        $endings = self::FILES[$mime] ?? null;
        if ($endings === null) {
            throw Invalid::at('file',
                'This kind of file cannot be given away. Please bring a PDF, a document, a zip, a picture, a sound or an MP4 video.');
        }
        if (! in_array($ending, $endings, true)) {
            throw Invalid::at('file', "“{$name}” is not what its name says: inside it is ".strtoupper($endings[0])
                .' content. Please check the file and choose it again.');
        }
        $id = Ids::next();
        $path = (string) Storage::disk('uploads')->putFileAs('files', $file, $id);

        return Upload::query()->create(['id' => $id, 'business_id' => $business->id, 'kind' => 'file', 'name' => $name, 'mime' => $mime,
            'bytes' => $bytes, 'path' => $path, 'sha256' => (string) hash_file('sha256', $file->getRealPath())]);
    }

    /** A picture is never kept as it came: it is drawn anew in several widths, which drops all that is not picture. */
    public function picture(Business $business, UploadedFile $file): Upload
    {
        $this->bytes($file, (int) config('lantern.uploads.picture_bytes'), 'picture');
        $name = $this->name($file);
        $mime = $this->mime($file);
        if (! in_array($mime, ['image/png', 'image/jpeg', 'image/webp', 'image/gif'], true)) {
            throw Invalid::at('picture', 'A picture is a PNG, JPEG, WebP or GIF file.');
        }
        $size = @getimagesize($file->getRealPath());
        if ($size === false || $size[0] < 1 || $size[1] < 1) {
            throw Invalid::at('picture', 'This picture is damaged and cannot be read.');
        }
        $most = (int) config('lantern.uploads.picture_pixels');
        if ($most < $size[0] * $size[1]) {
            throw Invalid::at('picture', 'This picture has '.(int) round($size[0] * $size[1] / 1e6).' megapixels; '.intdiv($most, 1_000_000)
                .' are enough. Please make it smaller and choose it again.');
        }
        $image = @imagecreatefromstring((string) file_get_contents($file->getRealPath()));
        if ($image === false) {
            throw Invalid::at('picture', 'This picture is damaged and cannot be read.');
        }
        $image = $this->upright($image, $file->getRealPath(), $mime);
        [$width, $height] = [imagesx($image), imagesy($image)];
        $id = Ids::next();
        $widths = array_values(array_unique([...array_filter(self::WIDTHS, fn (int $w): bool => $w < $width),
            min($width, max(self::WIDTHS))]));
        $total = 0;
        foreach ($widths as $w) {
            $webp = $this->webp($image, $w);
            $total += strlen($webp);
            Storage::disk('uploads')->put("pictures/{$id}/{$w}.webp", $webp);
        }
        $fallback = $this->fallback($image, $widths[intdiv(count($widths) - 1, 2)]);
        Storage::disk('uploads')->put("pictures/{$id}/{$widths[intdiv(count($widths) - 1, 2)]}.{$fallback[0]}", $fallback[1]);
        $tones = $this->tones($image);

        return Upload::query()
            ->create(['id' => $id, 'business_id' => $business->id, 'kind' => 'picture', 'name' => $name, 'mime' => 'image/webp',
                'bytes' => $total, 'path' => "pictures/{$id}", 'sha256' => (string) hash_file('sha256', $file->getRealPath()),
                'width' => $width, 'height' => $height, 'widths' => $widths, 'fallback' => $fallback[0],
                'tones' => [$tones->dark, $tones->light]]);
    }

    /** A video is kept as it came: MP4 or WebM by content, whatever its name says. */
    public function video(Business $business, UploadedFile $file): Upload
    {
        $bytes = $this->bytes($file, (int) config('lantern.uploads.file_bytes'), 'video');
        $name = $this->name($file);
        $mime = $this->mime($file);
        if (! in_array($mime, ['video/mp4', 'video/webm'], true)) {
            throw Invalid::at('video', "“{$name}” is no video that browsers can play. Please bring an MP4 or WebM file.");
        }
        $id = Ids::next();
        $path = (string) Storage::disk('uploads')->putFileAs('videos', $file, $id);

        return Upload::query()->create(['id' => $id, 'business_id' => $business->id, 'kind' => 'video', 'name' => $name, 'mime' => $mime,
            'bytes' => $bytes, 'path' => $path, 'sha256' => (string) hash_file('sha256', $file->getRealPath())]);
    }

    private function bytes(UploadedFile $file, int $most, string $field): int
    {
        $mb = intdiv($most, 1024 * 1024);
        if (in_array($file->getError(), [UPLOAD_ERR_INI_SIZE, UPLOAD_ERR_FORM_SIZE], true) || $file->getSize() > $most) {
            throw Invalid::at($field, "This file is too large: {$mb} MB at most.");
        }
        if (! $file->isValid()) {
            throw Invalid::at($field, 'The file did not arrive whole. Please choose it again.');
        }
        if ($file->getSize() < 1) {
            throw Invalid::at($field, 'This file is empty. Please check it and choose it again.');
        }

        return (int) $file->getSize();
    }

    private function mime(UploadedFile $file): string
    {
        return (string) (new finfo(FILEINFO_MIME_TYPE))->file($file->getRealPath());
    }

    /** The name a visitor will see: no folders, no control characters, nothing a file system minds. */
    private function name(UploadedFile $file): string
    {
        $name = $file->getClientOriginalName();
        $name = mb_check_encoding($name, 'UTF-8') ? $name : 'file.'.$file->guessExtension();
        $name = trim((string) preg_replace('~[\p{C}\\\\/:*?"<>|%]+~u', '-', basename(str_replace('\\', '/', $name))), " .-\t");
        $ending = pathinfo($name, PATHINFO_EXTENSION);

        return $name === '' ? 'file'
            : mb_substr(pathinfo($name, PATHINFO_FILENAME), 0, 120).($ending === '' ? '' : '.'.mb_substr($ending, 0, 10));
    }

    /** Cameras say "turn me" in the file's margin; once drawn anew, nothing would say it any more. */
    private function upright(GdImage $image, string $path, string $mime): GdImage
    {
        $exif = $mime === 'image/jpeg' && function_exists('exif_read_data') ? @exif_read_data($path) : false;
        $angle = match ($exif['Orientation'] ?? 1) {
            3 => 180, 6 => -90, 8 => 90, default => 0
        };
        $turned = $angle === 0 ? $image : imagerotate($image, $angle, 0);

        return $turned === false ? $image : $turned;
    }

    private function webp(GdImage $image, int $width): string
    {
        $scaled = $this->scaled($image, $width);
        ob_start();
        imagewebp($scaled, null, 82);

        return (string) ob_get_clean();
    }

    /** @return array{string, string} ending and content: JPEG, or PNG where something is see-through */
    private function fallback(GdImage $image, int $width): array
    {
        $scaled = $this->scaled($image, $width);
        ob_start();
        $this->seeThrough($image) ? imagepng($scaled, null, 9) : imagejpeg($scaled, null, 80);

        return [$this->seeThrough($image) ? 'png' : 'jpg', (string) ob_get_clean()];
    }

    private function seeThrough(GdImage $image): bool
    {
        $small = $this->scaled($image, 48);
        for ($x = 0; $x < imagesx($small); $x++) {
            for ($y = 0; $y < imagesy($small); $y++) {
                if ((imagecolorat($small, $x, $y) >> 24 & 0x7F) > 2) {
                    return true;
                }
            }
        }

        return false;
    }

    /** How dark and how light it gets, looked at closely enough that words would meet it. */
    private function tones(GdImage $image): Tones
    {
        $small = $this->scaled($image, 64);
        $luminances = [];
        for ($x = 0; $x < imagesx($small); $x++) {
            for ($y = 0; $y < min(200, imagesy($small)); $y++) {
                $luminances[] = Colour::of(sprintf('#%06x', imagecolorat($small, $x, $y) & 0xFFFFFF))->luminance();
            }
        }

        return Tones::of($luminances);
    }

    private function scaled(GdImage $image, int $width): GdImage
    {
        $height = max(1, (int) round(imagesy($image) * $width / imagesx($image)));
        $scaled = imagecreatetruecolor(max(1, $width), $height);
        imagealphablending($scaled, false);
        imagesavealpha($scaled, true);
        imagecopyresampled($scaled, $image, 0, 0, 0, 0, $width, $height, imagesx($image), imagesy($image));

        return $scaled;
    }
}
