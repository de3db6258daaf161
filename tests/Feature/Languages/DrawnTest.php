<?php

declare(strict_types=1);

namespace Tests\Feature\Languages;

use App\Languages\VisualOrder;
use App\Languages\Voices;
use App\Mail\Emails\CountdownPicture;
use Lantern\Core\Page\Look\Looks;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What is drawn letter by letter: the order of letters, and pictures in letters that no look's font has. */
final class DrawnTest extends TestCase
{
    /** @return iterable<string, array{string, string}> as it is written, as it is drawn from left to right */
    public static function lines(): iterable
    {
        yield 'Hebrew' => ['קבלה', 'הלבק'];
        yield 'a number after it' => ['קבלה 2027-0012', '2027-0012 הלבק'];
        yield 'a name in Latin letters' => ['Maya כהן', 'ןהכ Maya'];
        yield 'several Latin words' => ['שולם: card ending in 0001 היום', 'םויה card ending in 0001 :םלוש'];
        yield 'a number of Latin letters and digits' => ['מספר VAT XX 123 456', 'VAT XX 123 456 רפסמ'];
        yield 'brackets' => ['(שולם 4242)', '(4242 םלוש)'];
        yield 'brackets around Latin' => ['קוד (SPRING 10) שלך', 'ךלש (SPRING 10) דוק'];
        yield 'a sum' => ['סך הכול 49.00 €', '€ 49.00 לוכה ךס'];
        yield 'a sum with its sign at the number' => ['₪49.90 בסך הכול', 'לוכה ךסב ₪49.90'];
        yield 'percent' => ['מע״מ 17%', '17% מ״עמ'];
        yield 'less than nothing' => ['הנחה -10', '10- החנה'];
        yield 'a day' => ['29 בנובמבר 2026, 18:00', '18:00 ,2026 רבמבונב 29'];
        yield 'an address' => ['maya@example.org', 'maya@example.org'];
        yield 'an address in a line' => ['אל maya@example.org.', '.maya@example.org לא'];
        yield 'a sum with a sign of direction' => ["\u{200f}49.00 \u{200f}₪", '₪ 49.00'];
        yield 'vowels stay with their letters' => ['שָׁלוֹם', 'םוֹלשָׁ'];
        yield 'Latin alone' => ['Cello from the Start', 'Cello from the Start'];
        yield 'nothing' => ['', ''];
    }

    #[DataProvider('lines')]
    public function test_the_order_in_which_letters_are_drawn(string $written, string $drawn): void
    {
        self::assertSame($drawn, VisualOrder::of($written));
    }

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
