<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\Pictures;
use App\Files\Uploads;
use App\Support\VideoFile;
use finfo;
use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;

/** One file, picture or video of an archive, as it is described there and as it really is. */
final readonly class ArchiveMedia
{
    private const MOST_CAPTIONS = 1_048_576;

    private const PICTURES = ['webp' => 'image/webp', 'jpg' => 'image/jpeg', 'png' => 'image/png'];

    private string $name;

    private string $mime;

    /** @var list<int> */
    private array $widths;

    private ?string $fallback;

    public function __construct(private string $kind, private Shape $shape)
    {
        $this->name = trim((string) preg_replace('~[\p{C}\\\\/:*?"<>|%]+~u', '-', $shape->text('name', 255)), " .-\t");
        $this->mime = $shape->text('mime', 120);
        $allowed = match ($kind) {
            'file' => Uploads::mimes(),
            'picture' => ['image/webp'],
            'video' => ['video/mp4', 'video/webm'],
            'captions' => ['text/vtt'],
            default => throw Invalid::at('archive', 'There is media of an unknown kind in it.'),
        };
        if ($this->name === '' || ! in_array($this->mime, $allowed, true)) {
            throw Invalid::at('archive', "“{$this->name}” is of a kind that is not imported.");
        }
        $widths = [];
        foreach ($kind === 'picture' ? ($shape->all()['widths'] ?? null) ?: [0] : [] as $width) {
            if (! is_int($width) || $width < 1 || $width > 4000) {
                throw Invalid::at('archive', 'A picture in it says a width that no picture has.');
            }
            $widths[] = $width;
        }
        $this->widths = array_slice($widths, 0, 6);
        $fallback = $kind === 'picture' ? $shape->optionalText('fallback', 4) : null;
        $this->fallback = $fallback === null || isset(self::PICTURES[$fallback]) ? $fallback
            : throw Invalid::at('archive', 'A picture in it has a form that is not imported.');
    }

    /** @return array<string, string> where each is kept, by its name in the archive */
    public function files(string $id): array
    {
        if ($this->kind !== 'picture') {
            return ['content' => ($this->kind === 'file' ? 'files' : 'videos')."/{$id}"];
        }
        $files = [];
        if ($this->fallback !== null) {
            $middle = $this->widths[intdiv(count($this->widths) - 1, 2)];
            $files["{$middle}.{$this->fallback}"] = "pictures/{$id}/{$middle}.{$this->fallback}";
        }
        foreach ($this->widths as $width) {
            $files["{$width}.webp"] = "pictures/{$id}/{$width}.webp";
        }

        return $files;
    }

    /**
     * @param  string  $file  the path of the unpacked file
     *
     * @throws Invalid when what it holds is not what its description says
     */
    public function check(string $name, string $file): void
    {
        if ($this->kind === 'captions') {
            // What detectors call it differs; what browsers can show is told by reading it.
            if (filesize($file) > self::MOST_CAPTIONS || ! Uploads::areCaptions((string) file_get_contents($file))) {
                throw Invalid::at('archive', "“{$this->name}” holds no captions that browsers can show.");
            }

            return;
        }
        $is = (string) (new finfo(FILEINFO_MIME_TYPE))->file($file);
        $said = $this->kind === 'picture' ? self::PICTURES[pathinfo($name, PATHINFO_EXTENSION)] : $this->mime;
        // Office documents and e-books are zips; older detectors see no more than that.
        $zipped = $is === 'application/zip' && (str_contains($said, 'openxmlformats') || $said === 'application/epub+zip');
        if (filesize($file) === 0 || ($is !== $said && ! $zipped)) {
            throw Invalid::at('archive', "“{$this->name}” is not what it says it is.");
        }
        if ($this->kind === 'file' && ! Uploads::isNamed($said, $this->name)) {
            throw Invalid::at('archive', "“{$this->name}” is not what its name says.");
        }
        if ($this->kind === 'video' && ! VideoFile::isPlayable($file)) {
            throw Invalid::at('archive', "“{$this->name}” holds no video that browsers can play.");
        }
        if ($this->kind === 'picture') {
            $this->checkPicture($name, $file);
        }
    }

    private function checkPicture(string $name, string $file): void
    {
        try {
            $size = Pictures::measured($file);
        } catch (Invalid $e) {
            throw Invalid::at('archive', "“{$this->name}” is damaged, or not as large as it says. {$e->getMessage()}");
        }
        // What all of them cost to unpack stays small: the narrowest of each is, and the others are the same picture.
        $isUnpacked = $size[0] <= Pictures::WIDTHS[0];
        if ($size[0] !== (int) pathinfo($name, PATHINFO_FILENAME)
            || ($isUnpacked && @imagecreatefromstring((string) file_get_contents($file)) === false)) {
            throw Invalid::at('archive', "“{$this->name}” is damaged, or not as large as it says.");
        }
    }

    /** @return array<string, mixed> what is stored of it */
    public function columns(string $id): array
    {
        $columns = ['kind' => $this->kind, 'name' => $this->name, 'mime' => $this->mime, 'path' => match ($this->kind) {
            'picture' => "pictures/{$id}", 'video', 'captions' => "videos/{$id}", default => "files/{$id}"
        }];
        if ($this->kind !== 'picture') {
            return $columns;
        }
        $tones = $this->shape->all()['tones'] ?? null;
        $sound = is_array($tones) && array_is_list($tones) && count($tones) === 2
            && array_filter($tones, fn (mixed $t): bool => ! is_numeric($t) || $t < 0 || $t > 1) === [];

        return $columns + ['width' => $this->shape->integer('width', 1, 40_000), 'height' => $this->shape->integer('height', 1, 40_000),
            'widths' => $this->widths, 'fallback' => $this->fallback, 'tones' => $sound ? $tones : null];
    }
}
