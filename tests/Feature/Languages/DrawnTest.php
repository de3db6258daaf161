<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Languages\Voices;
use App\Mail\Emails\CountdownPicture;
use Lantern\Core\Page\Look\Looks;
use Tests\TestCase;

/** Pictures in letters that no look's font has. */
final class DrawnTest extends TestCase
{
    public function test_countdowns_in_emails_are_drawn_in_letters_of_the_language(): void
    {
        $look = Looks::get(Looks::DEFAULT);
        $gifs = [];
        foreach (['en', 'pl', 'he', 'ka', 'ru', 'de'] as $language) {
            $gifs[$language] = CountdownPicture::of($look, 2 * 86_400 + 30, Voices::of($language));
            self::assertStringStartsWith('GIF89a', $gifs[$language]);
            self::assertLessThanOrEqual(CountdownPicture::MOST_BYTES, strlen($gifs[$language]), $language);
        }
        self::assertCount(6, array_unique($gifs), 'each says something else');
        // Without its letters a font draws the same box for each: the words for one day and for two would look alike.
        self::assertNotSame(self::first(CountdownPicture::of($look, 86_400, Voices::of('he'))), self::first($gifs['he']));
    }

    private static function first(string $gif): string
    {
        $picture = imagecreatefromstring($gif);
        self::assertNotFalse($picture);
        ob_start();
        // The labels alone, below the figures.
        imagepng(imagecrop($picture, ['x' => 0, 'y' => 74, 'width' => imagesx($picture), 'height' => imagesy($picture) - 74]) ?: $picture);

        return (string) ob_get_clean();
    }
}
