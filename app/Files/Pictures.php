<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Upload;
use GdImage;
use Illuminate\Support\Facades\Storage;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Tones;
use Lantern\Core\Support\Invalid;

/**
 * Draws pictures anew in the widths that pages ask for. What a picture costs is decided by its header and its bytes, before
 * anything is unpacked.
 */
final class Pictures
{
    /** The widths pages ask for; a picture is kept in those below its own, and in its own up to the widest. */
    public const WIDTHS = [480, 960, 1600];

    /** Up to so many pixels are drawn while the owner waits for the answer. */
    private const AT_ONCE = 3_000_000;

    /** No picture is so much longer than it is wide, or the other way round. */
    private const MOST_SLENDER = 50;

    /** What is packed more tightly than a thousand pixels a byte holds nothing; so many pixels may be empty all the same. */
    private const PIXELS_A_BYTE = 1000;

    private const EMPTY_PIXELS = 2_000_000;

    /**
     * Looks at the header of a picture and at how large the file is.
     *
     * @return array{int, int} width and height as the file says
     *
     * @throws Invalid when it is damaged, or would cost more to draw than any picture is worth
     */
    public static function measured(string $path): array
    {
        $size = @getimagesize($path);
        if ($size === false || $size[0] < 1 || $size[1] < 1) {
            throw self::damaged();
        }
        [$width, $height] = $size;
        $most = (int) config('lantern.uploads.picture_pixels');
        $pixels = $width * $height;
        if ($most < $pixels) {
            throw Invalid::at('picture', 'This picture has '.(int) round($pixels / 1e6).' megapixels; '.intdiv($most, 1_000_000)
                .' are enough. Please make it smaller and choose it again.');
        }
        if (max($width, $height) > self::MOST_SLENDER * min($width, $height)) {
            throw Invalid::at('picture',
                'This picture is far longer than it is wide, or wider than it is high. Please crop it and choose it again.');
        }
        if ($pixels > self::EMPTY_PIXELS + self::PIXELS_A_BYTE * (int) filesize($path)) {
            throw Invalid::at('picture', 'This picture has '.(int) round($pixels / 1e6).' megapixels and hardly anything in them. '
                .'Please make it smaller and choose it again.');
        }

        return [$width, $height];
    }

    /** @param  array{int, int}  $size */
    public static function isSmall(array $size): bool
    {
        return $size[0] * $size[1] <= self::AT_ONCE;
    }

    /**
     * Draws a picture of the uploads' in all its widths and keeps them, and what is known of it from then on.
     *
     * @throws Invalid when it is damaged
     */
    public static function draw(Upload $upload, string $file): Upload
    {
        // What lies behind the header is not more than it said, or it is not drawn.
        $size = self::measured($file);
        $image = @imagecreatefromstring((string) file_get_contents($file));
        if ($image === false || [imagesx($image), imagesy($image)] !== $size) {
            throw self::damaged();
        }
        $image = self::upright($image, $file);
        [$width, $height] = [imagesx($image), imagesy($image)];
        $widths = array_values(array_unique([...array_filter(self::WIDTHS, fn (int $w): bool => $w < $width),
            min($width, max(self::WIDTHS))]));
        $total = 0;
        $kept = [];
        // Each is made of the next wider one, so that only one is made of all the pixels there are.
        foreach (array_reverse($widths) as $w) {
            $kept[$w] = $image = self::scaled($image, $w, max(1, (int) round($height * $w / $width)));
            $webp = self::written(fn () => imagewebp($image, null, 82));
            $total += strlen($webp);
            Storage::disk('uploads')->put("pictures/{$upload->id}/{$w}.webp", $webp);
        }
        $middle = $widths[intdiv(count($widths) - 1, 2)];
        $isSeeThrough = self::isSeeThrough($image);
        $fallback = $isSeeThrough ? 'png' : 'jpg';
        Storage::disk('uploads')->put("pictures/{$upload->id}/{$middle}.{$fallback}",
            self::written(fn () => $isSeeThrough ? imagepng($kept[$middle], null, 9) : imagejpeg($kept[$middle], null, 80)));
        $tones = self::tones($image);
        $upload->forceFill(['kind' => 'picture', 'mime' => 'image/webp', 'bytes' => $total, 'path' => "pictures/{$upload->id}",
            'width' => $width, 'height' => $height, 'widths' => $widths, 'fallback' => $fallback,
            'tones' => [$tones->dark, $tones->light], 'trouble' => null])->save();

        return $upload;
    }

    private static function damaged(): Invalid
    {
        return Invalid::at('picture', 'This picture is damaged and cannot be read.');
    }

    /** Cameras say "turn me" in the file's margin; once drawn anew, nothing would say it any more. */
    private static function upright(GdImage $image, string $path): GdImage
    {
        $exif = function_exists('exif_read_data') && @exif_imagetype($path) === IMAGETYPE_JPEG ? @exif_read_data($path) : false;
        $angle = match ($exif['Orientation'] ?? 1) {
            3 => 180, 6 => -90, 8 => 90, default => 0
        };
        $turned = $angle === 0 ? $image : imagerotate($image, $angle, 0);

        return $turned === false ? $image : $turned;
    }

    /** @param  callable(): mixed  $write */
    private static function written(callable $write): string
    {
        ob_start();
        $write();

        return (string) ob_get_clean();
    }

    private static function isSeeThrough(GdImage $image): bool
    {
        foreach (self::points($image, 48) as $colour) {
            if (($colour >> 24 & 0x7F) > 2) {
                return true;
            }
        }

        return false;
    }

    /** How dark and how light it gets, looked at closely enough that words would meet it; where one sees through it, anything. */
    private static function tones(GdImage $image): Tones
    {
        $luminances = [];
        foreach (self::points($image, 64) as $colour) {
            $of = Colour::of(sprintf('#%06x', $colour & 0xFFFFFF));
            $through = ($colour >> 24 & 0x7F) / 127;
            array_push($luminances, ...$through < 0.02 ? [$of->luminance()]
                : [$of->mixedWith(Colour::of('#000000'), $through)->luminance(),
                    $of->mixedWith(Colour::of('#ffffff'), $through)->luminance()]);
        }

        return Tones::of($luminances);
    }

    /** @return list<int> colours, with how far one sees through them, of points spread evenly over the picture */
    private static function points(GdImage $image, int $across): array
    {
        $down = max(1, min(4 * $across, (int) round(imagesy($image) * $across / imagesx($image))));
        $small = self::scaled($image, $across, $down);
        $colours = [];
        for ($x = 0; $x < $across; $x++) {
            for ($y = 0; $y < $down; $y++) {
                $colours[] = (int) imagecolorat($small, $x, $y);
            }
        }

        return $colours;
    }

    private static function scaled(GdImage $image, int $width, int $height): GdImage
    {
        $scaled = imagecreatetruecolor(max(1, $width), max(1, $height));
        imagealphablending($scaled, false);
        imagesavealpha($scaled, true);
        imagecopyresampled($scaled, $image, 0, 0, 0, 0, $width, $height, imagesx($image), imagesy($image));

        return $scaled;
    }
}
