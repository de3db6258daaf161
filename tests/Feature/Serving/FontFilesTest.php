<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Languages\PhraseBook;
use App\Rendering\FontFiles;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Page\Look\Looks;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Which font files a page in some language fetches: those with its letters, and no more. */
final class FontFilesTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function languages(): iterable
    {
        foreach (Languages::SPOKEN as $language) {
            yield $language => [$language];
        }
    }

    private static function has(string $range, int $code): bool
    {
        foreach (explode(',', $range) as $part) {
            [$from, $to] = explode('-', substr($part, 2)) + [1 => substr($part, 2)];
            if ($code >= hexdec($from) && $code <= hexdec($to)) {
                return true;
            }
        }

        return false;
    }

    #[DataProvider('languages')]
    public function test_the_files_that_are_fetched_at_once_have_the_letters_of_the_language(string $language): void
    {
        $book = app(PhraseBook::class);
        $missing = [];
        foreach (array_keys($book->english()) as $key) {
            $said = (string) preg_replace('/[<{][^<>{}]*[>}]/', '', $book->ships(Language::of($language), $key));
            foreach (array_unique(mb_str_split($said)) as $letter) {
                $files = array_filter(FontFiles::of('DM Sans', 400, $language),
                    fn (array $f): bool => self::has($f['range'], mb_ord($letter)));
                if (! (end($files)['first'] ?? false)) {
                    $missing[$letter] = $key;
                }
            }
        }
        // A Hebrew page names kinds of files and programs in Latin letters now and then.
        self::assertSame([], $language === 'he' ? array_filter($missing, fn (string $l): bool => preg_match('/[a-z]/i', $l) !== 1,
            ARRAY_FILTER_USE_KEY) : $missing);
        if (in_array($language, ['pl', 'he'], true)) {
            self::assertSame([], array_filter(FontFiles::of('DM Sans', 400, $language), fn (array $f): bool => $f['first']
                && str_contains($f['url'], '-latin-')));
        }
    }

    #[DataProvider('languages')]
    public function test_every_file_is_built_for_every_look(string $language): void
    {
        foreach (Looks::all() as $look) {
            foreach ($look->fonts() as [$family, $weight]) {
                foreach (FontFiles::of($family, $weight, $language) as $file) {
                    self::assertFileExists(public_path(ltrim($file['url'], '/')));
                }
            }
        }
    }
}
