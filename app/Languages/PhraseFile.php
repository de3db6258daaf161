<?php

declare(strict_types=1);

namespace App\Languages;

use Exception;
use Gettext\Generator\PoGenerator;
use Gettext\Loader\StrictPoLoader;
use Gettext\Translation;
use Gettext\Translations;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Languages;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Support\Invalid;

/**
 * Phrases as a file of GNU gettext, for whoever translates them elsewhere. An entry's context is the key of the phrase, its original the
 * English one, its translation what is said; its comments tell where.
 */
final readonly class PhraseFile
{
    public const MOST_BYTES = 1_000_000;

    public const MOST_ENTRIES = 2000;

    private const WHOSE = 'X-Lantern-Phrases';

    public function __construct(private PhraseBook $book)
    {
    }

    /** @param  OwnPhrases  $own  what is said in other words, the funnel's over its business's */
    public function write(Language $language, OwnPhrases $own): string
    {
        $file = Translations::create();
        $headers = $file->getHeaders();
        $headers->setLanguage(str_replace('-', '_', $language->plain()));
        $headers->set('MIME-Version', '1.0');
        $headers->set('Content-Type', 'text/plain; charset=UTF-8');
        $headers->set('Content-Transfer-Encoding', '8bit');
        $headers->set(self::WHOSE, $language->tag);
        foreach ($this->book->english() as $key => $english) {
            $entry = Translation::create($key, $english);
            $entry->translate($own->text($language->tag, $key) ?? $this->book->ships($language, $key));
            $entry->getExtractedComments()->add(...PhrasePlaces::ALL[PhrasePlaces::of($key)]);
            if (str_contains($english, '{')) {
                $entry->getFlags()->add('icu-message-format');
            }
            $file->add($entry);
        }

        return (new PoGenerator)->generateString($file);
    }

    /**
     * What of a file can be said, and what cannot; a text is '' where it is the one that ships.
     *
     * @return array{language: Language, texts: array<string, string>, refused: list<array{key: string, text: string, why: string}>}
     *
     * @throws Invalid where it is no file of ours
     */
    public function read(string $data): array
    {
        $file = self::loaded($data);
        $language = self::language($file);
        $english = $this->book->english();
        $texts = [];
        $refused = [];
        $known = 0;
        foreach ($file as $entry) {
            $key = (string) $entry->getContext();
            $text = trim((string) $entry->getTranslation());
            if (! isset($english[$key])) {
                $refused[] = ['key' => mb_substr($key, 0, 60), 'text' => mb_substr($text, 0, 200), 'why' => 'There is no such phrase.'];

                continue;
            }
            $known++;
            // What is not translated, or not sure, is as if it were not in the file.
            if ($text === '' || $entry->isDisabled() || $entry->getFlags()->has('fuzzy')) {
                continue;
            }
            try {
                $this->book->check($language, $key, $text);
                $texts[$key] = $text === $this->book->ships($language, $key) ? '' : $text;
            } catch (Invalid $e) {
                $refused[] = ['key' => $key, 'text' => $text, 'why' => $e->getMessage()];
            }
        }
        if ($known === 0) {
            throw self::strange('None of the texts in this file is one that visitors are told here: it is of another program, or of '
                .'another kind. Please choose a file that came from here, with its contexts left as they are.');
        }

        return ['language' => $language, 'texts' => $texts, 'refused' => $refused];
    }

    private static function loaded(string $data): Translations
    {
        $data = str_starts_with($data, "\xef\xbb\xbf") ? substr($data, 3) : $data;
        if (strlen($data) > self::MOST_BYTES) {
            throw self::strange('This file is larger than all phrases together can be.');
        }
        if (! mb_check_encoding($data, 'UTF-8')) {
            throw self::strange('This file is not written in UTF-8. Please save it so, and choose it again.');
        }
        try {
            $file = (new StrictPoLoader)->loadString(str_replace(["\r\n", "\r"], "\n", $data));
        } catch (Exception $e) {
            $where = preg_match('/line (\d+)/', $e->getMessage(), $m) === 1 ? " in line {$m[1]}" : '';
            throw self::strange("This is no file of gettext’s (PO) that can be read: it breaks off, or is written otherwise{$where}.");
        }
        if (count($file) > self::MOST_ENTRIES) {
            throw self::strange('There are more texts in this file than visitors are ever told.');
        }

        return $file;
    }

    private static function language(Translations $file): Language
    {
        $headers = $file->getHeaders();
        $tag = $headers->get(self::WHOSE) ?? str_replace('_', '-', (string) $headers->getLanguage());
        if ($tag === '') {
            throw self::strange('This file does not say which language it is in: its line “Language:” is missing.');
        }

        return Languages::isKnown($tag) ? Language::of($tag)
            : throw self::strange('This file says that its language is “'.mb_substr($tag, 0, 40).'”, and there is no such '
                .'language here.');
    }

    private static function strange(string $why): Invalid
    {
        return Invalid::at('file', $why);
    }
}
