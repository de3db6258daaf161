<?php

declare(strict_types=1);

namespace Lantern\Core\Plan;

use Lantern\Core\Languages\Language;
use Lantern\Core\Support\Invalid;

/** The part of a public link that names a funnel or one of its pages: `practice-plan`. */
final class WebAddress
{
    public const LONGEST = 60;

    /** Where a language spells the letters that English lacks in a way of its own, ICU's rules for it. */
    private const SPELT = ['de' => 'de-ASCII; '];

    /** First parts that the application itself uses, or may want to. */
    public const RESERVED = ['studio', 'up', 'api', 'build', 'media', 'files', 'mail', 'm', 'f', 'u', 'c', 'l', 'o', 'e', 'h', 's', 't',
        'r',
        'p', 'w',
        'public',
        'storage', 'assets',
        'favicon', 'robots', 'sitemap', 'login', 'logout', 'admin', 'account', 'index', 'beacon', 'go', 'join', 'unsubscribe',
        'webhook', 'webhooks', 'checkout', 'pay', 'my', 'preview', 'well-known', 'static', 'health', 'guide', 'embed'];

    /** @throws Invalid with one sentence that says what an address may be */
    public static function check(string $address): string
    {
        if (preg_match('/^[a-z0-9]+(-[a-z0-9]+)*$/D', $address) !== 1) {
            throw Invalid::at('address', 'A web address holds small letters, digits and single dashes, such as practice-plan.');
        }
        if (strlen($address) > self::LONGEST) {
            throw Invalid::at('address', 'A web address has '.self::LONGEST.' characters at most.');
        }
        if (in_array($address, self::RESERVED, true)) {
            throw Invalid::at('address', "“{$address}” is kept for the application itself. Please choose another web address.");
        }

        return $address;
    }

    /**
     * An address made from any words, free of those taken: "Der Zwölf-Minuten-Plan" gives `der-zwolf-minuten-plan`,
     * or `der-zwolf-minuten-plan-2` when that is in use; in German `der-zwoelf-minuten-plan`.
     *
     * @param  callable(string): bool  $isTaken
     * @param  string  $language  in which the words are, as {@see Language} reads it
     */
    public static function suggest(string $words, callable $isTaken, string $language = 'en'): string
    {
        $rules = (self::SPELT[Language::of($language)->base()] ?? '').'Any-Latin; Latin-ASCII; Lower()';
        $plain = transliterator_transliterate($rules, mb_substr($words, 0, 200));
        $slug = trim((string) preg_replace('/[^a-z0-9]+/', '-', str_replace(["'", '’'], '', $plain === false ? '' : $plain)), '-');
        if (strlen($slug) > 48) {
            $slug = rtrim((string) preg_replace('/-[^-]*$/', '', substr($slug, 0, 49)), '-');
            $slug = rtrim(substr($slug, 0, 48), '-');
        }
        $slug = $slug === '' ? 'funnel' : $slug;
        $candidate = $slug;
        for ($n = 2; in_array($candidate, self::RESERVED, true) || $isTaken($candidate); $n++) {
            $candidate = "{$slug}-{$n}";
        }

        return $candidate;
    }
}
