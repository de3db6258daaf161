<?php

declare(strict_types=1);

namespace App\Languages;

use Generator;
use Illuminate\Support\HtmlString;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Languages\Spoken;
use Lantern\Core\Languages\Voice;
use MessageFormatter;

/** Says the phrases of `lang/` in one language: ICU fills them in. */
final class SiteVoice implements Voice
{
    /** @var array<string, MessageFormatter|null> by the phrase as it is written; null where it is not to be read */
    private array $formats = [];

    /** @param  OwnPhrases|null  $own  what is said in other words */
    public function __construct(private readonly Language $language, private readonly Phrases $phrases,
        private readonly ?OwnPhrases $own = null)
    {
    }

    public function language(): Language
    {
        return $this->language;
    }

    /** The attributes of an element in its language: written from right to left where the language is. */
    public function attributes(): HtmlString
    {
        return new HtmlString('lang="'.e($this->language->plain()).'"'.($this->language->isRightToLeft() ? ' dir="rtl"' : ''));
    }

    /** For what is read from left to right in every language: addresses, phone numbers, digits that are typed. */
    public function leftToRight(): HtmlString
    {
        return new HtmlString($this->language->isRightToLeft() ? ' dir="ltr"' : '');
    }

    /** The side on which a line begins, for programs that know no direction. */
    public function start(): string
    {
        return $this->language->isRightToLeft() ? 'right' : 'left';
    }

    public function end(): string
    {
        return $this->language->isRightToLeft() ? 'left' : 'right';
    }

    public function say(Phrase|string $phrase, array $values = []): string
    {
        if ($phrase instanceof Phrase) {
            [$phrase, $values] = [$phrase->key, $phrase->values];
        }
        // An owner's words that cannot be said, such as ones of an archive that was changed by hand, are left for those that ship.
        foreach ($this->candidates($phrase) as $written) {
            $said = $this->filled($written, $values);
            if ($said !== null) {
                return $said;
            }
        }

        return $phrase;
    }

    /**
     * A phrase as it is written, with its values filled in; null where ICU cannot.
     *
     * @param  array<string, int|float|string|Spoken|Phrase>  $values
     */
    public function filled(string $written, array $values): ?string
    {
        if (! str_contains($written, '{')) {
            return $written;
        }
        $plain = array_map(fn (int|float|string|Spoken|Phrase $v): int|float|string => match (true) {
            $v instanceof Spoken => $v->spoken($this->language),
            $v instanceof Phrase => $this->say($v),
            default => $v,
        }, $values);
        $said = $this->format($written)?->format($plain);

        return is_string($said) ? $said : null;
    }

    /** @param  array<string, int|float|string|Spoken|Phrase>  $values */
    public function __invoke(Phrase|string $phrase, array $values = []): string
    {
        return $this->say($phrase, $values);
    }

    /** How an email begins: by first name, as a merge field, with other words where it is not known. */
    public function hello(): string
    {
        return $this->say('mail.hello', ['name' => '{{first_name|'.$this->say('mail.there').'}}']);
    }

    /**
     * A phrase with elements in it, such as “or <link>register here</link>”. All else is escaped, whoever wrote it.
     *
     * @param  array<string, int|float|string|Spoken|Phrase>  $values
     * @param  array<string, string>  $elements  what an element begins with, as HTML, by the name it has in the phrase
     */
    public function html(string $phrase, array $values, array $elements): HtmlString
    {
        $html = e($this->say($phrase, $values));
        foreach ($elements as $name => $begin) {
            preg_match('/^<([a-z0-9]+)/', $begin, $m);
            $html = str_replace(["&lt;{$name}&gt;", "&lt;/{$name}&gt;"], [$begin, '</'.($m[1] ?? 'span').'>'], $html);
        }

        return new HtmlString($html);
    }

    /** A phrase as it is written, with its values to be filled in; the key of one that there is not. */
    public function written(string $key): string
    {
        foreach ($this->candidates($key) as $written) {
            return $written;
        }

        return $key;
    }

    /** @return Generator<int, string> the nearest language first, and in each the owner's words before those that ship */
    private function candidates(string $key): Generator
    {
        foreach ($this->language->catalogues() as $catalogue) {
            $text = $this->own?->text($catalogue, $key);
            if ($text !== null) {
                yield $text;
            }
            $line = $this->phrases->line($key, $catalogue);
            if ($line !== null) {
                yield $line;
            }
        }
    }

    private function format(string $written): ?MessageFormatter
    {
        if (! array_key_exists($written, $this->formats)) {
            $this->formats[$written] = MessageFormatter::create($this->language->locale(), $written) ?: null;
        }

        return $this->formats[$written];
    }
}
