<?php

declare(strict_types=1);

namespace Lantern\Core\Deadlines;

use DateTimeImmutable;
use DateTimeZone;
use IntlDateFormatter;
use IntlDatePatternGenerator;
use Lantern\Core\Languages\Language;
use MessageFormatter;
use ResourceBundle;

/** Ends and times left as a reader reads them: in their language, in their zone. What languages say comes from CLDR, by way of ICU. */
final class TimeWords
{
    public const UNITS = ['day' => 86_400, 'hour' => 3600, 'minute' => 60, 'second' => 1];

    /** The forms that languages have for numbers, by CLDR's names. */
    public const FORMS = ['zero', 'one', 'two', 'few', 'many', 'other'];

    /** Where ICU's data says what nobody does any more: CLDR 42 counts Polish days as “doba”, later ones as everybody does. */
    private const CORRECTED = ['pl' => ['day' => ['one' => '{0} dzień', 'few' => '{0} dni', 'many' => '{0} dni', 'other' => '{0} dnia']]];

    private const KEPT = 200;

    /** Of the numbers below it is kept which form they take. */
    private const COUNTED = 100;

    /** @var array<string, array<string, array<string, string>>> */
    private static array $known = [];

    /** @var array<string, string> by locale and skeleton */
    private static array $patterns = [];

    /** @var array<string, IntlDateFormatter> by locale and zone: to make one takes longer than all it is used for */
    private static array $formats = [];

    /** @var array<string, MessageFormatter> by locale: says which form a number takes */
    private static array $numbers = [];

    /** @var array<string, string> by language */
    private static array $pairs = [];

    /** @var array<string, string> by locale: for each number a digit, which of the forms it takes */
    private static array $counted = [];

    /**
     * What of a language's spelling takes ICU long to find, to be kept for {@see self::recall()}.
     *
     * @return array<string, mixed> as JSON can hold it
     */
    public static function spelled(string $language): array
    {
        $locale = Language::of($language)->locale();
        foreach (['', 'y'] as $year) {
            self::pattern($locale, $year);
        }
        foreach (array_keys(self::UNITS) as $unit) {
            self::forms($language, $unit);
        }

        $numbers = '';
        for ($count = 0; $count < self::COUNTED; $count++) {
            $numbers .= (string) array_search(self::form($count, $language), self::FORMS, true);
        }

        return ['icu' => INTL_ICU_VERSION.' '.INTL_ICU_DATA_VERSION, 'language' => $language, 'locale' => $locale,
            'patterns' => ['' => self::pattern($locale, ''), 'y' => self::pattern($locale, 'y')], 'forms' => self::$known[$language],
            'pair' => self::pair($language), 'numbers' => $numbers];
    }

    /**
     * Takes over what was found before. Of another release of ICU nothing is.
     *
     * @param  array<array-key, mixed>  $spelled  as `spelled` gave it
     */
    public static function recall(array $spelled): void
    {
        if (($spelled['icu'] ?? '') !== INTL_ICU_VERSION.' '.INTL_ICU_DATA_VERSION) {
            return;
        }
        /**
         * @var array{language: string, locale: string, patterns: array<string, string>, forms: array<string, array<string, string>>,
         *     pair: string, numbers: string} $spelled
         */
        Language::recall($spelled['language'], $spelled['locale']);
        foreach ($spelled['patterns'] as $year => $pattern) {
            self::$patterns["{$spelled['locale']}{$year}"] ??= $pattern;
        }
        self::$known[$spelled['language']] ??= $spelled['forms'];
        self::$pairs[$spelled['language']] ??= $spelled['pair'];
        self::$counted[$spelled['locale']] ??= $spelled['numbers'];
    }

    /** How a moment is spelt, with its year or without. */
    private static function pattern(string $locale, string $year): string
    {
        return self::$patterns["{$locale}{$year}"]
            ??= (string) (new IntlDatePatternGenerator($locale))->getBestPattern("{$year}MMMMEEEEdjjmm");
    }

    /**
     * Such as "Friday 4 December at 18:00, Oslo time"; with the year where it is not the present one.
     *
     * @param  string  $language  a BCP 47 tag
     */
    public static function moment(DateTimeImmutable $at, DateTimeZone $zone, string $language, DateTimeImmutable $now): string
    {
        $locale = Language::of($language)->locale();
        $year = $at->setTimezone($zone)->format('Y') === $now->setTimezone($zone)->format('Y') ? '' : 'y';
        $words = self::format($at, $zone, $locale, self::pattern($locale, $year));

        // In English the moment is one run of words; elsewhere its commas are how it is spelt.
        return (str_starts_with($locale, 'en') ? str_replace(',', '', $words) : $words).', '.self::clock($at, $zone, $locale);
    }

    /** Such as "4 December 2026". */
    public static function day(DateTimeImmutable $at, DateTimeZone $zone, string $language): string
    {
        $locale = Language::of($language)->locale();
        $pattern = self::$patterns["day {$locale}"] ??= (string) (new IntlDatePatternGenerator($locale))->getBestPattern('yMMMMd');

        return self::format($at, $zone, $locale, $pattern);
    }

    /** Whose clock it is: "Oslo time"; and, in the hour that it shows twice, which of the two by its distance from GMT. */
    private static function clock(DateTimeImmutable $at, DateTimeZone $zone, string $locale): string
    {
        if ($zone->getName() === 'UTC') {
            return 'UTC';
        }
        $name = str_starts_with($locale, 'en') ? self::format($at, $zone, $locale, 'VVV').' time'
            : self::format($at, $zone, $locale, 'VVVV');

        return $name.(self::isShownTwice($at, $zone) ? ' ('.self::format($at, $zone, $locale, 'O').')' : '');
    }

    private static function isShownTwice(DateTimeImmutable $at, DateTimeZone $zone): bool
    {
        $shown = $at->setTimezone($zone);
        // The clocks are put back by an hour, on Lord Howe Island by half of one.
        foreach ([-3600, -1800, 1800, 3600] as $seconds) {
            if ($at->modify("{$seconds} seconds")->setTimezone($zone)->format('Y-m-d H:i') === $shown->format('Y-m-d H:i')) {
                return true;
            }
        }

        return false;
    }

    private static function format(DateTimeImmutable $at, DateTimeZone $zone, string $locale, string $pattern): string
    {
        if (count(self::$formats) >= self::KEPT) {
            self::$formats = [];
        }
        $format = self::$formats["{$locale} {$zone->getName()}"] ??= new IntlDateFormatter($locale, IntlDateFormatter::NONE,
            IntlDateFormatter::NONE, $zone->getName(), null, $pattern);
        if ($format->getPattern() !== $pattern) {
            $format->setPattern($pattern);
        }

        return (string) $format->format($at);
    }

    /** What is left, in its two largest units: "2 days, 3 hours". Nothing left is no seconds. */
    public static function left(int $seconds, string $language): string
    {
        $seconds = max(0, $seconds);
        $words = [];
        foreach (self::UNITS as $unit => $length) {
            $count = intdiv($seconds, $length);
            $seconds -= $count * $length;
            if ($count > 0 || ($unit === 'second' && $words === [])) {
                $words[] = self::count($count, $unit, $language);
            } elseif ($words !== []) {
                // “2 days, 5 minutes” says less than “2 days”.
                break;
            }
            if (count($words) === 2) {
                break;
            }
        }

        return count($words) === 2 ? str_replace(['{0}', '{1}'], $words, self::pair($language)) : implode($words);
    }

    /** How two amounts stand together: "{0}, {1}", in French "{0} et {1}". CLDR's list of units. */
    private static function pair(string $language): string
    {
        return self::$pairs[$language] ??= self::readPair($language);
    }

    private static function readPair(string $language): string
    {
        for ($locale = Language::of($language)->locale(); $locale !== ''; $locale = (string) strstr($locale, '_', true)) {
            $found = ResourceBundle::create($locale, null, false);
            foreach (['listPattern', 'unit', '2'] as $key) {
                $found = $found instanceof ResourceBundle ? $found->get($key, false) : null;
            }
            if (is_string($found)) {
                return $found;
            }
        }

        return '{0}, {1}';
    }

    /** Such as "1 day" or "3 days". */
    public static function count(int $count, string $unit, string $language): string
    {
        $forms = self::forms($language, $unit);

        return str_replace('{0}', (string) $count, $forms[self::form($count, $language)] ?? $forms['other']);
    }

    /** @return string one of {@see self::FORMS}: which form a number takes in the language */
    public static function form(int $count, string $language): string
    {
        $locale = Language::of($language)->locale();
        $counted = self::$counted[$locale][$count] ?? null;
        if ($counted !== null) {
            return self::FORMS[(int) $counted];
        }
        $each = implode(' ', array_map(fn (string $f): string => "{$f}{{$f}}", self::FORMS));

        return (string) (self::$numbers[$locale] ??= new MessageFormatter($locale, "{0, plural, {$each}}"))->format([$count]);
    }

    /**
     * The names of the units without their numbers, for figures that stand above them.
     *
     * @return array<string, array<string, string>> by unit and form
     */
    public static function labels(string $language): array
    {
        $labels = [];
        foreach (array_keys(self::UNITS) as $unit) {
            $labels[$unit] = array_map(self::bare(...), self::forms($language, $unit));
        }

        return $labels;
    }

    /** A pattern without its number; some languages put a space that does not break before the unit. */
    private static function bare(string $pattern): string
    {
        return (string) preg_replace('/^[\s\x{A0}\x{202F}]+|[\s\x{A0}\x{202F}]+$/u', '', str_replace('{0}', '', $pattern));
    }

    /** @return array<string, string> patterns such as "{0} days" by form; `other` is always among them */
    private static function forms(string $language, string $unit): array
    {
        return self::$known[$language][$unit] ??= self::CORRECTED[Language::of($language)->base()][$unit] ?? self::read($language, $unit)
            ?: ['one' => "{0} {$unit}", 'other' => "{0} {$unit}s"];
    }

    /** @return array<string, string> */
    private static function read(string $language, string $unit): array
    {
        for ($locale = Language::of($language)->locale(); $locale !== ''; $locale = (string) strstr($locale, '_', true)) {
            $found = ResourceBundle::create($locale, 'ICUDATA-unit', false)?->get('units', false);
            $found = $found instanceof ResourceBundle ? $found->get('duration', false) : null;
            $found = $found instanceof ResourceBundle ? $found->get($unit, false) : null;
            if ($found instanceof ResourceBundle && is_string($found->get('other', false))) {
                $forms = [];
                foreach (self::FORMS as $form) {
                    $pattern = $found->get($form, false);
                    if (is_string($pattern)) {
                        $forms[$form] = $pattern;
                    }
                }

                return $forms;
            }
        }

        return [];
    }
}
