<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Business;
use App\Models\Upload;
use App\Support\Ids;
use App\Support\VideoFile;
use DateTimeImmutable;
use finfo;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
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

    /** So many large pictures of one business may wait to be drawn. */
    private const MOST_INCOMING = 20;

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
                'This kind of file cannot be given away. Please choose a PDF, a document, a zip, a picture, a sound or an MP4 video.');
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

    /**
     * A picture is never kept as it came: it is drawn anew in several widths, which drops all that is not picture. A large one is
     * drawn by a worker, and is no picture of the library before it is.
     */
    public function picture(Business $business, UploadedFile $file): Upload
    {
        $this->bytes($file, (int) config('lantern.uploads.picture_bytes'), 'picture');
        $name = $this->name($file);
        $mime = $this->mime($file);
        if (! in_array($mime, ['image/png', 'image/jpeg', 'image/webp', 'image/gif'], true)) {
            throw Invalid::at('picture', 'A picture is a PNG, JPEG, WebP or GIF file.');
        }
        $size = Pictures::measured($file->getRealPath());
        $id = Ids::next();
        $upload = (new Upload)->forceFill(['id' => $id, 'business_id' => $business->id, 'kind' => Upload::INCOMING, 'name' => $name,
            'mime' => $mime, 'bytes' => (int) $file->getSize(), 'path' => "incoming/{$id}", 'width' => $size[0], 'height' => $size[1],
            'sha256' => (string) hash_file('sha256', $file->getRealPath())]);
        if (Pictures::isSmall($size)) {
            return Pictures::draw($upload, $file->getRealPath());
        }
        if (Upload::query()->where('business_id', $business->id)->where('kind', Upload::INCOMING)->whereNull('trouble')->count()
            >= self::MOST_INCOMING) {
            throw Invalid::at('picture', 'Many large pictures are still being prepared. Please wait until they are in your library.');
        }
        Storage::disk('uploads')->putFileAs('incoming', $file, $id);
        $upload->save();
        DrawPicture::dispatch($id);

        return $upload;
    }

    /** Removes pictures that were never drawn, a day after they came in. */
    public function tidy(DateTimeImmutable $now): int
    {
        $old = Upload::query()->where('kind', Upload::INCOMING)->where('created_at', '<', $now->modify('-1 day'))->get();
        foreach ($old as $upload) {
            Storage::disk('uploads')->delete($upload->path);
            $upload->delete();
        }

        return count($old);
    }

    /** A video is kept as it came: MP4 or WebM by content, whatever its name says. */
    public function video(Business $business, UploadedFile $file): Upload
    {
        $bytes = $this->bytes($file, (int) config('lantern.uploads.video_bytes'), 'video');
        $name = $this->name($file);
        $mime = $this->mime($file);
        if (! in_array($mime, ['video/mp4', 'video/webm'], true) || ! VideoFile::isPlayable($file->getRealPath())) {
            throw Invalid::at('video', "“{$name}” is no video that browsers can play. Please choose an MP4 or WebM file.");
        }
        $id = Ids::next();
        $path = (string) Storage::disk('uploads')->putFileAs('videos', $file, $id);

        return Upload::query()->create(['id' => $id, 'business_id' => $business->id, 'kind' => 'video', 'name' => $name, 'mime' => $mime,
            'bytes' => $bytes, 'path' => $path, 'seconds' => VideoFile::seconds($file->getRealPath()) ?? 0,
            'sha256' => (string) hash_file('sha256', $file->getRealPath())]);
    }

    /** WebVTT in UTF-8 with something to be shown. */
    public static function areCaptions(string $text): bool
    {
        $text = str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;

        return mb_check_encoding($text, 'UTF-8') && preg_match('/^WEBVTT(?:[ \t\r\n]|$)/', $text) === 1
            && preg_match('/^(?:\d+:)?\d{2}:\d{2}\.\d{3}[ \t]+-->[ \t]+(?:\d+:)?\d{2}:\d{2}\.\d{3}/m', $text) === 1;
    }

    /** Captions of a video: WebVTT in UTF-8, as it came. */
    public function captions(Business $business, UploadedFile $file): Upload
    {
        $bytes = $this->bytes($file, 1024 * 1024, 'captions');
        $name = $this->name($file);
        if (! self::areCaptions((string) file_get_contents($file->getRealPath()))) {
            throw Invalid::at('captions', "“{$name}” holds no captions that browsers can show. Please choose a WebVTT file (.vtt) in "
                .'UTF-8.');
        }
        $id = Ids::next();
        $path = (string) Storage::disk('uploads')->putFileAs('videos', $file, $id);

        return Upload::query()->create(['id' => $id, 'business_id' => $business->id, 'kind' => 'captions', 'name' => $name,
            'mime' => 'text/vtt', 'bytes' => $bytes, 'path' => $path, 'sha256' => (string) hash_file('sha256', $file->getRealPath())]);
    }

    /** A limit in words: “100 MB”, “2 GB”. */
    public static function words(int $bytes): string
    {
        $mb = intdiv($bytes, 1024 * 1024);

        return $mb >= 1024 && $mb % 1024 === 0 ? intdiv($mb, 1024).' GB' : "{$mb} MB";
    }

    private function bytes(UploadedFile $file, int $most, string $field): int
    {
        if (in_array($file->getError(), [UPLOAD_ERR_INI_SIZE, UPLOAD_ERR_FORM_SIZE], true) || $file->getSize() > $most) {
            throw Invalid::at($field, 'This file is too large: '.self::words($most).' at most.');
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
}
