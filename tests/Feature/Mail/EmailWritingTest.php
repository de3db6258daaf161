<?php

declare(strict_types=1);

namespace Tests\Feature\Mail;

use App\Mail\Emails\EmailWriter;
use App\Models\Business;
use DOMDocument;
use DOMXPath;
use Lantern\Core\Page\Look\Colour;
use Lantern\Core\Page\Look\Contrast;
use Lantern\Core\Sequences\Delay;
use Lantern\Core\Sequences\EmailPlan;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Emails as their readers see them. */
final class EmailWritingTest extends TestCase
{
    private Business $business;

    protected function setUp(): void
    {
        parent::setUp();
        $this->business = $this->owner()->business;
    }

    /** @return array{string, DOMXPath, string} subject, HTML, plain text */
    private function write(string $body, string $subject = 'Hello', string $accent = '#c2410c'): array
    {
        $letter = app(EmailWriter::class)
            ->sample($this->business, new EmailPlan('e', 'Letter', $subject, $body, Delay::atOnce()), Colour::of($accent));
        $dom = new DOMDocument;
        $dom->loadHTML('<?xml encoding="UTF-8">'.$letter->html, LIBXML_NOERROR);

        return [$letter->subject, new DOMXPath($dom), $letter->text];
    }

    public function test_a_link_alone_in_its_paragraph_becomes_a_button(): void
    {
        [, $html] = $this->write('<p><a href="https://ferncroft.example/a">Go</a></p><p>or <a href="https://ferncroft.example/b">read '
            .'on</a></p>');

        self::assertSame(['Go'], array_map(fn ($n): string => $n->textContent, iterator_to_array($html->query('//a[@class="button"]'))));
        self::assertSame(1, $html->query('//a[not(@class) and contains(@href,"/b")]')->length);
    }

    public function test_what_is_filled_in_is_escaped_in_the_one_part_and_plain_in_the_other(): void
    {
        [$subject, $html, $text] = $this->write('<p>Hi {{first_name|there}}, you &amp; {{shoe_size|"me"}}</p>',
            "For {{first_name|you}}\nand more");

        self::assertSame('For Robin and more', str_replace("\n", ' ', $subject));
        self::assertStringContainsString('Hi Robin, you & "me"', $html->document->textContent);
        self::assertStringContainsString('Hi Robin, you & "me"', $text);
    }

    public function test_who_writes_stands_at_the_foot_whatever_the_address_holds(): void
    {
        $this->business->forceFill(['postal_address' => "1 <b>Yard</b>\n\"Town\" & Co", 'name' => 'A <i>& B'])->save();
        [, $html, $text] = $this->write('<p>x</p>');

        self::assertStringContainsString('1 <b>Yard</b>', $html->document->textContent);
        self::assertSame(0, $html->query('//td//b | //td//i')->length);
        self::assertStringContainsString("A <i>& B\n1 <b>Yard</b>\n\"Town\" & Co\nUnsubscribe: http", $text);
    }

    /** @return iterable<string, array{string}> */
    public static function accents(): iterable
    {
        foreach (['#c2410c', '#3ddc97', '#ffb454', '#ffe45c', '#000000', '#ffffff', '#7a5c2e', '#808080'] as $accent) {
            yield $accent => [$accent];
        }
    }

    #[DataProvider('accents')]
    public function test_button_and_links_can_be_read_in_any_colour(string $accent): void
    {
        [, $html] = $this->write('<p><a href="https://ferncroft.example">Go</a></p><p>see <a href="https://ferncroft.example">this</a></p>',
            accent: $accent);
        $style = fn (string $xpath, string $property): Colour => Colour::of(preg_match("/(?:^|[; ]){$property}: (#[0-9a-f]{6})/",
            $html->query($xpath)->item(0)->getAttribute('style'), $m) === 1 ? $m[1] : 'none');

        self::assertGreaterThanOrEqual(Contrast::TEXT,
            Contrast::ratio($style('//a[@class="button"]', 'background-color'), $style('//a[@class="button"]', 'color')));
        self::assertGreaterThanOrEqual(Contrast::TEXT, Contrast::ratio(Colour::of('#ffffff'), $style('//p/a[not(@class)]', 'color')));
    }

    public function test_the_layout_holds_in_old_mail_programs(): void
    {
        [, $html] = $this->write('<h2>News</h2><p>x</p><ul><li>y</li></ul>');

        self::assertSame(0, $html->query('//div | //script | //link | //img')->length, 'tables and inlined styles only');
        self::assertGreaterThan(1, $html->query('//table[@role="presentation"]')->length);
        foreach ($html->query('//td | //p | //h2') as $element) {
            if (in_array($element->nodeName, ['p', 'h2'], true)) {
                self::assertNotSame('', $element->getAttribute('style'), $element->nodeName);
            }
        }
    }

    public function test_a_empty_subject_says_so(): void
    {
        self::assertSame('(no subject)', $this->write('<p>x</p>', '{{last_name_of_nobody}}')[0]);
    }
}
