<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** Whatever a view prints as it is comes from what makes HTML for that place, and from nothing that somebody typed. */
final class ViewsTest extends TestCase
{
    /** What may stand between the marks that print without escaping: the whole of it. */
    private const MAKERS = [
        // Attributes of a block's elements, written and escaped by `Marks`.
        '~^\$at->(root|words)\([^;]*\)$~D',
        '~^Slots::name\([^;]*\)$~D',
        '~^nl2br\(e\([^()]*(\([^()]*\))?[^()]*\)(, false)?\)$~D',
        '~^\\\\App\\\\Rendering\\\\(Icons::svg|SiteAssets::(head|pay|busy))\(.*\)$~D',
        // Set a few lines above in the same view, from constants and slots.
        '~^\$(optional|invalid|desk|value|head|section)$~D',
    ];

    /** @return iterable<string, array{string}> */
    public static function views(): iterable
    {
        foreach (Finder::create()->files()->in(dirname(__DIR__, 3).'/resources/views')->name('*.blade.php') as $file) {
            yield $file->getRelativePathname() => [$file->getContents()];
        }
    }

    #[DataProvider('views')]
    public function test_nothing_is_printed_as_it_is_but_by_what_makes_html(string $view): void
    {
        preg_match_all('/\{!!\s*(.*?)\s*!!\}/s', $view, $printed);
        foreach ($printed[1] as $expression) {
            // The body of an email is written by EmailWriter alone, from clean HTML and values it escapes.
            $isMade = ($expression === '$body' && str_contains($view, '<td class="words">'))
                || array_filter(self::MAKERS, fn (string $maker): bool => preg_match($maker, $expression) === 1) !== [];
            self::assertTrue($isMade, "{!! {$expression} !!}");
        }
        self::assertDoesNotMatchRegularExpression('/<\?(php|=)|@php\s*echo|HtmlString\(/', $view);
        self::addToAssertionCount(1);
    }
}
