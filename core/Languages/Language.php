<?php

declare(strict_types=1);

namespace Lantern\Core\Languages;

use ResourceBundle;
use Stringable;

/**
 * The language in which somebody is spoken to, and whether formally: one BCP 47 tag, such as `de`, `pt-BR`, or `de-x-formal` (its private
 * part is ours, and is told to nobody).
 */
final readonly class Language implements Stringable
{
    public const PATTERN = '^[a-z]{2,3}(-[A-Za-z0-9]{2,8}){0,2}(-x-formal)?$';

    public const LONGEST = 24;

    private const FORMAL = '-x-formal';

    private function __construct(public string $tag)
    {
    }

    /** Whatever is no tag at all is English: what was stored before is never refused. */
    public static function of(string $tag): self
    {
        return new self(self::isTag($tag) ? $tag : 'en');
    }

    /** Is it written as a tag? Whether there is such a language says {@see Languages::tags()}. */
    public static function isTag(string $tag): bool
    {
        return strlen($tag) <= self::LONGEST && preg_match('/'.self::PATTERN.'/D', $tag) === 1;
    }

    public function isFormal(): bool
    {
        return str_ends_with($this->tag, self::FORMAL);
    }

    /** The tag that browsers are told: without the way of speaking. */
    public function plain(): string
    {
        return $this->isFormal() ? substr($this->tag, 0, -strlen(self::FORMAL)) : $this->tag;
    }

    /** Without region and script: `pt` of `pt-BR`. */
    public function base(): string
    {
        return explode('-', $this->tag)[0];
    }

    /** As ICU writes it, of those that it knows. Plain English counts its hours to 24 and puts the day first, as the Studio does. */
    public function locale(): string
    {
        return self::locales()[$this->plain()] ??= self::nearest(str_replace('-', '_', $this->plain()));
    }

    /** Takes over which locale a language has, as `locale` said before: to ask ICU for all that it knows takes long. */
    public static function recall(string $tag, string $locale): void
    {
        self::locales()[self::of($tag)->plain()] ??= $locale;
    }

    /** @return array<string, string> ICU's, by tag without the way of speaking */
    private static function &locales(): array
    {
        /** @var array<string, string> $locales */
        static $locales = [];

        return $locales;
    }

    private static function nearest(string $locale): string
    {
        /** @var array<string, true>|null $known */
        static $known = null;
        $known ??= array_fill_keys(array_filter(ResourceBundle::getLocales('') ?: [], is_string(...)), true);
        while (! isset($known[$locale]) && str_contains($locale, '_')) {
            $locale = substr($locale, 0, (int) strrpos($locale, '_'));
        }

        return $locale === 'en' || ! isset($known[$locale]) ? 'en_GB' : $locale;
    }

    /** Is it written from right to left? As ICU has it. */
    public function isRightToLeft(): bool
    {
        /** @var array<string, bool> $found */
        static $found = [];
        $locale = $this->locale();
        if (! isset($found[$locale])) {
            $layout = ResourceBundle::create($locale, null)?->get('layout');
            $found[$locale] = $layout instanceof ResourceBundle && $layout->get('characters') === 'right-to-left';
        }

        return $found[$locale];
    }

    /**
     * Where its phrases are looked for, the nearest first. English is last, in which every phrase is written.
     *
     * @return non-empty-list<string>
     */
    public function catalogues(): array
    {
        $plain = $this->plain();
        $list = [$this->tag, $plain];
        while (str_contains($plain, '-')) {
            $plain = substr($plain, 0, (int) strrpos($plain, '-'));
            $list[] = $this->isFormal() ? $plain.self::FORMAL : $plain;
            $list[] = $plain;
        }
        $list[] = 'en';

        return array_values(array_unique($list));
    }

    public function __toString(): string
    {
        return $this->tag;
    }
}
