<?php

declare(strict_types=1);

namespace Tests\Core\Languages;

use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Languages;
use MessageFormatter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** All that is said to visitors is there in every language, with the same values, and nothing that nobody says. */
final class PhrasesTest extends TestCase
{
    private const ROOT = __DIR__.'/../../..';

    /** Names of views and settings, which have points as well. */
    private const NO_PHRASES = ['session.cookie', 'price.max', 'session.csv', 'mail.default', 'mail.mailers.smtp.host',
        'mail.mailers.smtp.port', 'mail.email', 'mail.mailers.smtp'];

    /** A phrase that stands between a word and its value has no form for numbers of its own. */
    private const PLURAL = '/\{(\w+), plural,/';

    /** @return array<string, string> phrases by key */
    private static function catalogue(string $folder): array
    {
        $phrases = [];
        foreach (glob(self::ROOT."/lang/{$folder}/*.php") ?: [] as $file) {
            $flat = function (array $tree, string $key) use (&$flat, &$phrases): void {
                foreach ($tree as $name => $phrase) {
                    is_array($phrase) ? $flat($phrase, "{$key}.{$name}") : $phrases["{$key}.{$name}"] = $phrase;
                }
            };
            $flat(require $file, basename($file, '.php'));
        }

        return $phrases;
    }

    /** @return list<string> names of the values in a phrase, as ICU reads them, and its elements */
    private static function parts(string $phrase): array
    {
        preg_match_all('/\{(\w+)(?:,|\})/', (string) preg_replace('/\b(?:zero|one|two|few|many|other|=\d+|yes|no) \{/', '[', $phrase),
            $values);
        preg_match_all('~</?(\w+)>~', $phrase, $elements);
        $parts = array_values(array_unique([...$values[1], ...array_map(fn (string $e): string => "<{$e}>", $elements[1])]));
        sort($parts);

        return $parts;
    }

    /** @return iterable<string, array{string}> */
    public static function folders(): iterable
    {
        foreach (Languages::SPOKEN as $language) {
            yield $language => [$language];
        }
        foreach (Languages::TWO_WAYS as $language) {
            yield "{$language}, formal" => ["{$language}-x-formal"];
        }
    }

    #[DataProvider('folders')]
    public function test_every_phrase_is_there_with_the_same_values(string $folder): void
    {
        $english = self::catalogue('en');
        $phrases = self::catalogue($folder);
        $language = Language::of($folder);
        self::assertGreaterThan(250, count($english));
        self::assertSame([], array_keys(array_diff_key($phrases, $english)), 'what English does not know');
        if ($language->isFormal()) {
            self::assertNotSame([], $phrases);
            self::assertSame([], array_keys(array_intersect_assoc($phrases, self::catalogue($language->base()))), 'said no other way');
        } else {
            self::assertSame([], array_keys(array_diff_key($english, $phrases)), 'what is missing');
        }
        foreach ($phrases as $key => $phrase) {
            self::assertSame(self::parts($english[$key]), self::parts($phrase), $key);
            self::assertSame(trim($phrase), $phrase, $key);
            self::assertNotSame('', $phrase, $key);
            self::assertStringNotContainsString("'", $phrase, "{$key}: ICU takes a straight apostrophe for a quote of its own");
            self::assertInstanceOf(MessageFormatter::class, MessageFormatter::create($language->locale(), $phrase), $key);
        }
    }

    #[DataProvider('folders')]
    public function test_every_form_that_a_number_takes_in_the_language_is_said(string $folder): void
    {
        $locale = Language::of($folder)->locale();
        $forms = [];
        // Every form comes up among these; “other” also for fractions.
        foreach ([...range(0, 200), 1_000_000] as $n) {
            $forms[(string) MessageFormatter::formatMessage($locale,
                '{0, plural, zero{zero} one{one} two{two} few{few} many{many} other{other}}', [$n])] = true;
        }
        foreach (self::catalogue($folder) as $key => $phrase) {
            if (preg_match(self::PLURAL, $phrase) === 1) {
                foreach (array_keys($forms) as $form) {
                    self::assertMatchesRegularExpression("/\\b{$form} \\{/", $phrase, $key);
                }
            }
        }
        self::assertArrayHasKey('other', $forms + ['other' => true]);
    }

    public function test_every_phrase_that_is_asked_for_is_there_and_every_one_that_is_there_is_asked_for(): void
    {
        $english = self::catalogue('en');
        $groups = implode('|', array_map(fn (string $f): string => basename($f, '.php'), glob(self::ROOT.'/lang/en/*.php') ?: []));
        $asked = [];
        foreach (['core', 'app', 'resources/views'] as $folder) {
            $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::ROOT."/{$folder}",
                \FilesystemIterator::SKIP_DOTS));
            foreach ($files as $file) {
                if (str_ends_with((string) $file, '.php')) {
                    preg_match_all("/'((?:{$groups})\\.[a-z_]+(?:\\.[a-z_]+)*)'/", (string) file_get_contents((string) $file), $m);
                    foreach ($m[1] as $key) {
                        $asked[$key] = substr((string) $file, strlen(self::ROOT) + 1);
                    }
                }
            }
        }
        $known = fn (string $key): array => array_values(array_filter(array_keys($english),
            fn (string $k): bool => $k === $key || str_starts_with($k, "{$key}.")));
        $used = [];
        foreach ($asked as $key => $file) {
            if (in_array($key, self::NO_PHRASES, true)) {
                continue;
            }
            $found = $known($key);
            self::assertNotSame([], $found, "{$file} says {$key}");
            $used += array_fill_keys($found, true);
        }
        self::assertSame([], array_values(array_diff(array_keys($english), array_keys($used))), 'what nobody says');
    }
}
