<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use Lantern\Core\Languages\VisualOrder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The order in which the letters of a line are drawn that is read from right to left. */
final class VisualOrderTest extends TestCase
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
}
