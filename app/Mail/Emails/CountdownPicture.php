<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Languages\SiteVoice;
use App\Rendering\Countdown;
use GdImage;
use Illuminate\Support\Str;
use Intervention\Gif\Builder;
use Intervention\Gif\DisposalMethod;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\VisualOrder;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Contrast;
use Lantern\Core\Page\Look\Look;
use Lantern\Core\Page\Look\Looks;
use RuntimeException;

/**
 * A countdown as a picture for emails: the next minute as an animated GIF, drawn when the email is opened; a still once it is
 * over. In the colours and the type of the look.
 */
final class CountdownPicture
{
    public const WIDTH = 440;

    public const HEIGHT = 116;

    /** No mail program is asked to load more than that; bytes. */
    public const MOST_BYTES = 60_000;

    private const SECONDS = 60;

    private const UNITS = ['day', 'hour', 'minute', 'second'];

    /** @param  string  $over  what it says once the time is up */
    public static function of(Look $look, int $left, SiteVoice $voice, string $over = ''): string
    {
        $drawing = new self($look, $voice->language()->tag);
        $over = $over === '' ? $voice->say('page.time_is_up_short') : $over;

        return $left <= 0 ? $drawing->still($over) : $drawing->minute($left, $over);
    }

    /** For an email that is only looked at: the picture itself, with two days left. */
    public static function sample(?Look $look, SiteVoice $voice): string
    {
        return 'data:image/gif;base64,'.base64_encode(self::of($look ?? Looks::get(Looks::DEFAULT), 2 * 86_400, $voice));
    }

    private readonly Colour $fill;

    private readonly Colour $ink;

    private function __construct(private readonly Look $look, private readonly string $language)
    {
        $this->fill = $look->accent;
        $this->ink = Contrast::readableOn($this->fill, Colour::of('#ffffff'), $look->ink);
    }

    private function still(string $words): string
    {
        $image = $this->canvas(self::WIDTH, self::HEIGHT);
        $this->write($image, $words, 24, self::WIDTH / 2, 68, $this->look->headingFont, $this->look->headingWeight);

        return (string) Builder::canvas(self::WIDTH, self::HEIGHT)->addFrame($this->gif($image))->encode();
    }

    /** The first frame holds all of it; each that follows only the columns that change, so that it stays small. */
    private function minute(int $left, string $over): string
    {
        $builder = Builder::canvas(self::WIDTH, self::HEIGHT);
        $column = intdiv(self::WIDTH, count(self::UNITS));
        $shown = [];
        $mirrored = Language::of($this->language)->isRightToLeft();
        for ($second = 0; $second <= min(self::SECONDS, $left); $second++) {
            if ($left - $second === 0) {
                $image = $this->canvas(self::WIDTH, self::HEIGHT);
                $this->write($image, $over, 24, self::WIDTH / 2, 68, $this->look->headingFont, $this->look->headingWeight);
                $builder->addFrame($this->gif($image), 1);
                break;
            }
            $parts = Countdown::parts($left - $second, self::UNITS, $this->language);
            $changed = array_keys(array_filter($parts, fn (array $p, int $i): bool => ($shown[$i] ?? null) !== [$p['figure'], $p['label']],
                ARRAY_FILTER_USE_BOTH));
            $from = $changed[0] ?? count($parts) - 1;
            $image = $this->canvas($second === 0 ? self::WIDTH : self::WIDTH - $from * $column, self::HEIGHT);
            foreach ($parts as $i => $part) {
                if ($i >= $from) {
                    // From right to left the largest unit comes first there, and what changes is at the left.
                    $place = $mirrored ? count($parts) - 1 - $i : $i - $from;
                    $this->column($image, $part['figure'], $part['label'], (int) (($place + 0.5) * $column));
                    $shown[$i] = [$part['figure'], $part['label']];
                }
            }
            $builder->addFrame($this->gif($image), 1, $second === 0 || $mirrored ? 0 : $from * $column, 0);
        }

        // What a frame does not draw stays as the frames before it left it.
        foreach ($builder->getGifDataStream()->getFrames() as $frame) {
            $frame->getGraphicControlExtension()?->setDisposalMethod(DisposalMethod::NONE);
        }

        return (string) $builder->encode();
    }

    private function column(GdImage $image, string $figure, string $label, int $middle): void
    {
        $this->write($image, $figure, 34, $middle, 66, $this->look->headingFont, $this->look->headingWeight);
        $this->write($image, $label, 11, $middle, 94, $this->look->bodyFont, 700);
    }

    private function canvas(int $width, int $height): GdImage
    {
        $image = imagecreatetruecolor(max(1, $width), max(1, $height)) ?: throw new RuntimeException('There is no room for a picture.');
        imagefill($image, 0, 0, self::colour($this->fill));

        return $image;
    }

    /** As a picture in true colours counts them. */
    private static function colour(Colour $colour): int
    {
        return ($colour->red << 16) | ($colour->green << 8) | $colour->blue;
    }

    /** Words in the middle, in the order in which they are drawn; each run of letters in a font that has them. */
    private function write(GdImage $image, string $words, int $size, float $middle, int $baseline, string $family, int $weight): void
    {
        $drawn = Language::of($this->language)->isRightToLeft() ? VisualOrder::of($words) : $words;
        preg_match_all('/[\x{0}-\x{ff}\x{2000}-\x{206f}]+|[\x{100}-\x{24f}\x{1e00}-\x{1eff}]+|[\x{590}-\x{5ff}\x{fb1d}-\x{fb4f}]+|./us',
            $drawn, $m);
        $runs = [];
        $width = 0;
        foreach ($m[0] as $letters) {
            $font = $this->font($letters, $family, $weight);
            $box = imagettfbbox($size, 0, $font, $letters);
            $wide = $box === false ? 0 : $box[2] - $box[0];
            $runs[] = [$letters, $font, $wide];
            $width += $wide;
        }
        $left = $middle - $width / 2;
        foreach ($runs as [$letters, $font, $wide]) {
            imagettftext($image, $size, 0, (int) $left, $baseline, self::colour($this->ink), $font, $letters);
            $left += $wide;
        }
    }

    /** Eight shades of two colours are enough for smooth figures. */
    private function gif(GdImage $image): string
    {
        imagetruecolortopalette($image, false, 8);
        ob_start();
        imagegif($image);

        return (string) ob_get_clean();
    }

    private function font(string $letters, string $family, int $weight): string
    {
        $code = mb_ord($letters);
        [$family, $subset] = match (true) {
            $code <= 0xFF || ($code >= 0x2000 && $code <= 0x206F) => [$family, 'latin'],
            $code <= 0x24F || ($code >= 0x1E00 && $code <= 0x1EFF) => [$family, 'latin-ext'],
            ($code >= 0x590 && $code <= 0x5FF) || ($code >= 0xFB1D && $code <= 0xFB4F) => ['Noto Sans Hebrew', 'hebrew'],
            default => ['', ''],
        };
        foreach ($family === '' ? [] : [$weight, 700, 400, 800] as $w) {
            $file = public_path('build/fonts/'.Str::slug($family)."-{$subset}-{$w}-normal.woff2");
            if (is_file($file)) {
                return $file;
            }
        }
        // The font that receipts are written in has most of the world's letters.
        $all = base_path('vendor/dompdf/dompdf/lib/fonts/DejaVuSans-Bold.ttf');

        return $subset !== 'latin' && is_file($all) ? $all
            : throw new RuntimeException('The front end is not built yet: run bin/demo --prepare.');
    }
}
