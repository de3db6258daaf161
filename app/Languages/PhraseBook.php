<?php

declare(strict_types=1);

namespace App\Languages;

use Illuminate\Support\Arr;
use Illuminate\Translation\Translator;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Languages\PhraseCheck;
use Lantern\Core\Support\Invalid;
use RuntimeException;

/** All that the application says to visitors in one language, as it ships, with where they meet it: for the owner who says it otherwise. */
final readonly class PhraseBook
{
    /** What an example is filled in with, by the name of the value. */
    public const SAMPLES = ['amount' => '49 €', 'number' => '2027-0012', 'webinar' => 'From Open Strings to Your First Melody',
        'business' => 'Ferncroft Cello Room', 'what' => 'Cello from the Start', 'name' => 'Maya', 'moment' => '2027-03-31, 18:00',
        'label' => 'Phone', 'time' => '12', 'ends' => '4242', 'day' => '2027-03-31', 'why' => '…', 'tax' => 'yes', 'rate' => 0.19,
        'most' => 3, 'minutes' => 3, 'total' => '147 €', 'method' => '…', 'kind' => '…', 'file' => 'The Practice Planner',
        'example' => '49.00',
        'currency' => 'EUR', 'count' => 3, 'code' => 'SPRING', 'refunded' => '49 €', 'product' => 'Cello from the Start',
        'price' => '49 €', 'percent' => 0.2, 'length' => '60', 'left' => 3, 'email' => 'maya@example.org', 'discount' => '10 €',
        'decimals' => 2, 'address' => 'https://pages.example/u/1'];

    public function __construct(private Translator $translator)
    {
    }

    /** @return array<string, string> every phrase in English, by key, in the order of the places */
    public function english(): array
    {
        /** @var array<string, string> $found the files do not change while the application runs */
        static $found = [];
        if ($found === []) {
            foreach (array_unique(array_map(fn (string $p): string => explode('.', $p)[0], array_keys(PhrasePlaces::ALL))) as $group) {
                $phrases = $this->translator->get($group, [], 'en', false);
                foreach (Arr::dot(is_array($phrases) ? $phrases
                    : throw new RuntimeException("There are no phrases of {$group}.")) as $k => $text) {
                    $found["{$group}.{$k}"] = is_string($text) ? $text : '';
                }
            }
        }

        return $found;
    }

    /** What is said where the owner says nothing else: in the language, or in the one it falls back on. */
    public function ships(Language $language, string $key): string
    {
        return (new SiteVoice($language, new TranslatedPhrases($this->translator)))->written($key);
    }

    /** A phrase with something filled in, as a visitor might read it. */
    public function example(Language $language, string $text): string
    {
        return (new SiteVoice($language, new TranslatedPhrases($this->translator)))->filled($text, self::samples($text)) ?? $text;
    }

    /**
     * @throws Invalid where the text cannot stand in place of the phrase
     */
    public function check(Language $language, string $key, string $text, string $path = 'text'): void
    {
        if (! isset($this->english()[$key])) {
            throw Invalid::at($path, 'There is no such phrase.');
        }
        $wrong = PhraseCheck::wrong($language, $this->ships($language, $key), $text, self::samples($this->english()[$key]));
        if ($wrong !== null) {
            throw Invalid::at($path, $wrong);
        }
    }

    /**
     * @param  OwnPhrases  $own  what the owner says otherwise here
     * @param  OwnPhrases  $below  what they say otherwise in all funnels, where a funnel is meant
     * @return list<array{place: string, title: string, when: string, phrases: list<array<string, mixed>>}> by where visitors meet them
     */
    public function places(Language $language, OwnPhrases $own, OwnPhrases $below): array
    {
        // What is said in a language it falls back on counts as well, such as the informal German of the same owner.
        $shipped = new SiteVoice($language, new TranslatedPhrases($this->translator), $own->without($language->tag)->over($below));
        $rows = [];
        foreach ($this->english() as $key => $english) {
            $ships = $shipped->written($key);
            $text = $own->text($language->tag, $key) ?? '';
            $rows[PhrasePlaces::of($key)][] = ['key' => $key, 'ships' => $ships, 'text' => $text, 'english' => $english,
                'values' => PhraseCheck::values($ships), 'example' => $this->example($language, $text === '' ? $ships : $text)];
        }
        $places = [];
        foreach (PhrasePlaces::ALL as $place => [$title, $when]) {
            if (isset($rows[$place])) {
                $places[] = ['place' => $place, 'title' => $title, 'when' => $when, 'phrases' => $rows[$place]];
            }
        }

        return $places;
    }

    /** @return array<string, int|float|string> */
    private static function samples(string $text): array
    {
        $samples = [];
        foreach (PhraseCheck::values($text) as $name) {
            // “tax” chooses between two ways of saying it below prices, and is the name of one on receipts.
            $samples[$name] = $name === 'tax' && ! str_contains($text, '{tax, select') ? 'VAT' : (self::SAMPLES[$name] ?? '…');
        }

        return $samples;
    }
}
