<?php

declare(strict_types=1);

namespace Lantern\Core\Checks;

use DateTimeImmutable;
use Lantern\Core\Emails\EmailBody;
use Lantern\Core\Emails\MergeFields;

/** What should be fixed in an email before it goes out. */
final class EmailCheck
{
    /** Mail programs on phones show about so many characters of a subject. */
    public const SUBJECT = 60;

    /** Some mail programs cut an email off beyond this; bytes. */
    public const HEAVY = 100_000;

    /** Fewer words than these beside pictures, and a reader who sees no pictures sees nothing. */
    public const FEW_WORDS = 20;

    /**
     * @param  string  $name  what the email is called, for the sentences
     * @param  string  $open  what to open to fix it, and its id
     * @return list<Finding>
     */
    public static function of(string $name, string $subject, string $body, EmailFacts $facts, string $open, string $id): array
    {
        $openLabel = 'Open the email';
        $findings = [];
        $add = function (string $code, bool $blocks, string $message) use (&$findings, $open, $id, $openLabel): void {
            $findings[] = new Finding($code, $blocks, $message, $open, $id, $openLabel);
        };
        $words = self::words($body);
        if (trim($subject) === '') {
            $add('no-subject', true, "“{$name}” has no subject.");
        } elseif (mb_strlen(self::shown($subject)) > self::SUBJECT) {
            $add('long-subject', false,
                "The subject of “{$name}” has ".mb_strlen(self::shown($subject)).' characters; phones show about '.self::SUBJECT.'.');
        }
        if ($words === '' && ! str_contains($body, '<img')) {
            $add('empty-email', true, "“{$name}” is empty.");
        }
        if (preg_match(PageCheck::PLACEHOLDER, $subject.' '.$words, $m) === 1) {
            $add('placeholder', true, "“{$name}” still says “".mb_strimwidth($m[0], 0, 60, '…').'”.');
        }
        self::fields($name, $subject, $body, $facts, $add);
        self::links($name, $body, $facts, $add);
        self::pictures($name, $body, $words, $facts, $add);
        self::deadlines($name, "{$subject}.\n".self::lines($body), $facts, $add);

        return $findings;
    }

    /** @param  callable(string, bool, string): void  $add */
    private static function fields(string $name, string $subject, string $body, EmailFacts $facts, callable $add): void
    {
        $known = [...$facts->fields, ...$facts->personal, 'download_link', 'confirm_link',
            ...array_map(fn (string $p): string => "page_{$p}", array_keys($facts->pages))];
        foreach (array_diff(MergeFields::names($subject.' '.$body), $known) as $field) {
            // A page that is gone is a link that leads nowhere, and said there.
            if (str_starts_with($field, 'price_')) {
                $add('price-gone', true, "“{$name}” names the price of an offer that is gone.");
            } elseif (str_starts_with($field, 'deadline_')) {
                $add('deadline-gone', true, "“{$name}” names the end of a deadline that is gone.");
            } elseif (! str_starts_with($field, 'page_')) {
                $add('unknown-field', false, "“{$name}” uses {{{$field}}}, which is not known of anyone; only its fallback will show.");
            }
        }
        $bare = [];
        MergeFields::replace($subject.' '.$body, function (string $field, string $fallback) use ($facts, &$bare): string {
            if ($fallback === '' && $field !== 'email' && in_array($field, $facts->personal, true)) {
                $bare[$field] = true;
            }

            return '';
        });
        foreach (array_keys($bare) as $field) {
            $add('no-fallback', false,
                "“{$name}” uses {{{$field}}} without a fallback: where it is not known, there is a hole. Write {{{$field}|there}}.");
        }
        if (str_contains($subject.$body, '{{download_link}}') && ! $facts->gives) {
            $add('download-gone', true, "“{$name}” links to a download, but this funnel gives nothing away.");
        }
    }

    /** @param  callable(string, bool, string): void  $add */
    private static function links(string $name, string $body, EmailFacts $facts, callable $add): void
    {
        foreach (EmailBody::links($body) as $link) {
            if (preg_match('/^\{\{\s*([a-z0-9_]+)\s*\}\}$/D', $link, $m) === 1) {
                $page = str_starts_with($m[1], 'page_') ? substr($m[1], 5) : null;
                if ($page !== null && ! isset($facts->pages[$page])) {
                    $add('dead-link', true, "A link in “{$name}” leads to a page that is gone.");
                }

                continue;
            }
            $host = (string) parse_url($link, PHP_URL_HOST);
            if (preg_match('/^mailto:[^@\s]+@[^@\s]+\.[^@\s]+$/iD', $link) !== 1
                && (preg_match('~^https?://~i', $link) !== 1 || ! str_contains($host, '.') && $host !== 'localhost')) {
                $add('dead-link', true, $link === '' ? "A link in “{$name}” leads nowhere."
                    : "A link in “{$name}” leads nowhere: “".mb_strimwidth($link, 0, 60, '…').'”.');
            }
        }
    }

    /** @param  callable(string, bool, string): void  $add */
    private static function pictures(string $name, string $body, string $words, EmailFacts $facts, callable $add): void
    {
        // A countdown says its moment in words by itself.
        $pictures = preg_match_all('~<img\b(?![^>]*\bsrc="countdown:)[^>]*>~', $body, $m);
        if ($pictures > 0 && count(preg_split('/\s+/u', $words, -1, PREG_SPLIT_NO_EMPTY) ?: []) < self::FEW_WORDS) {
            $add('picture-only', false,
                "“{$name}” says nearly everything in pictures, and many mail programs show none at first. Say it in words as well.");
        }
        if (array_filter($m[0], fn (string $i): bool => preg_match('~\balt="\s*[^"\s]~', $i) !== 1) !== []) {
            $add('no-alt', false, "A picture in “{$name}” has no description for those who do not see it.");
        }
        if ($facts->bytes > self::HEAVY) {
            $add('heavy', false,
                "“{$name}” weighs ".round($facts->bytes / 1000).' KB; beyond '.self::HEAVY / 1000
                    .' KB some mail programs cut it off.');
        }
        if (trim($facts->postalAddress) === '') {
            $add('no-postal-address', true, 'Your emails need a postal address at their foot: the law and the spam filters ask for it.');
        }
    }

    /** @return array<string, string> only what it says of days on which something ends, by the code of what is wrong with them */
    public static function days(string $name, string $subject, string $body, EmailFacts $facts): array
    {
        $found = [];
        self::deadlines($name, "{$subject}.\n".self::lines($body), $facts,
            function (string $code, bool $blocks, string $message) use (&$found): void {
                $found[$code] = $message;
            });

        return $found;
    }

    /** @param  callable(string, bool, string): void  $add */
    private static function deadlines(string $name, string $text, EmailFacts $facts, callable $add): void
    {
        $ends = array_map(fn (DateTimeImmutable $d): array => self::endDays($d, $facts), $facts->deadlines);
        foreach (DeadlineWords::in($text, $facts->sendAt ?? $facts->now, $facts->zone) as $said) {
            $sent = $facts->sendAt?->setTimezone($facts->zone)->format('Y-m-d');
            // A word like “Friday” in an email without a moment of its own means another day for every reader.
            $fixed = preg_match('/\d/', $said['words']) === 1;
            if ($sent !== null && $said['day'] < $sent) {
                $add('deadline-over', false, "“{$name}” speaks of {$said['words']}, which is over when it goes out.");
            } elseif ($ends !== [] && ($fixed || $sent !== null)
                && array_filter($ends, fn (array $days): bool => in_array($said['day'], $days, true)) === []) {
                $where = array_key_first($ends);
                $add('deadline-differs', false, "“{$name}” says {$said['words']}, but {$where} on "
                    .(new DateTimeImmutable($ends[$where][0]))->format('j F Y').'.');
            }
        }
    }

    /**
     * The days that people would call the end: a deadline at midnight ends the day before, too.
     *
     * @return non-empty-list<string>
     */
    private static function endDays(DateTimeImmutable $at, EmailFacts $facts): array
    {
        $local = $at->setTimezone($facts->zone);

        return $local->format('Hi') === '0000' ? [$local->modify('-1 day')->format('Y-m-d'), $local->format('Y-m-d')]
            : [$local->format('Y-m-d')];
    }

    /** The subject as most will see it. */
    private static function shown(string $subject): string
    {
        return MergeFields::replace($subject, fn (string $name, string $fallback): string => $fallback === '' ? 'Robin' : $fallback);
    }

    private static function words(string $body): string
    {
        return trim((string) preg_replace('/[\s\x{00A0}\x{200B}]+/u', ' ', html_entity_decode(strip_tags($body), ENT_QUOTES | ENT_HTML5)));
    }

    private static function lines(string $body): string
    {
        return html_entity_decode(strip_tags((string) preg_replace('~</(p|li|h2|h3)>|<br>~', "\n", $body)), ENT_QUOTES | ENT_HTML5);
    }
}
