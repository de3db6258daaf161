<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

/** Phrases that an owner says in other words: in each language by their keys. What is not among them is said as it ships. */
final readonly class OwnPhrases
{
    /** More than there are in any language, and longer than any needs to be. */
    public const MOST = 1000;

    public const LONGEST = 2000;

    /** @param  array<string, array<string, string>>  $texts  by tag and key */
    private function __construct(public array $texts)
    {
    }

    public static function none(): self
    {
        return new self([]);
    }

    /**
     * What is no phrase is left out: what was kept before the phrases changed is no reason to refuse a funnel.
     *
     * @param  mixed  $written  as {@see toArray()} gives it
     */
    public static function of(mixed $written): self
    {
        $texts = [];
        foreach (is_array($written) ? $written : [] as $tag => $phrases) {
            if (! Language::isTag((string) $tag) || ! is_array($phrases)) {
                continue;
            }
            foreach (array_slice($phrases, 0, self::MOST, true) as $key => $text) {
                if (is_string($text) && $text !== '' && mb_strlen($text) <= self::LONGEST
                    && preg_match('/^[a-z_.]{3,60}$/D', (string) $key) === 1) {
                    $texts[(string) $tag][(string) $key] = $text;
                }
            }
        }
        ksort($texts);

        return new self($texts);
    }

    public function text(string $tag, string $key): ?string
    {
        return $this->texts[$tag][$key] ?? null;
    }

    public function isEmpty(): bool
    {
        return $this->texts === [];
    }

    /** The same with one phrase said otherwise; '' for as it ships. */
    public function with(string $tag, string $key, string $text): self
    {
        $texts = $this->texts;
        unset($texts[$tag][$key]);
        if ($text !== '') {
            $texts[$tag][$key] = $text;
        }

        return self::of($texts);
    }

    /**
     * Those alone that somebody may be told in a language: of its own catalogue, and of those it falls back on.
     */
    public function for(Language $language): self
    {
        return new self(array_intersect_key($this->texts, array_flip($language->catalogues())));
    }

    /** What is said otherwise in other languages. */
    public function without(string $tag): self
    {
        return new self(array_diff_key($this->texts, [$tag => 0]));
    }

    /** These, and of others what is not among them: those of a funnel go before those of its business. */
    public function over(self $others): self
    {
        $texts = $others->texts;
        foreach ($this->texts as $tag => $phrases) {
            $texts[$tag] = $phrases + ($texts[$tag] ?? []);
        }

        return new self($texts);
    }

    /** @return array<string, array<string, string>> by tag and key */
    public function toArray(): array
    {
        return $this->texts;
    }
}
