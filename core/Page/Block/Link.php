<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Block;

use Lantern\Core\Support\Invalid;

/**
 * Where a button, a menu entry or a link in the words leads: `page:ID`, `section:ID` on the same page,
 * `outcome:declined` (wherever that outcome leads), `popup:ID` (opens it over the page), or an outside address. Inside a pop-up
 * `popup:next` goes on to its next step, and `popup:close` closes it. Nobody pastes the address of their own page.
 */
final readonly class Link
{
    /** Where links inside a pop-up lead: on to its next step, or out of it. */
    public const STEPS = ['next', 'close'];

    public const INSIDE = '/^(page|section|outcome|popup):([A-Za-z0-9_-]{1,40})$/D';

    private function __construct(public string $kind, public string $target)
    {
    }

    /** @throws Invalid unless it is empty, one of the inside forms, or an https, http, mailto or tel address */
    public static function check(string $url, string $path): void
    {
        if ($url !== '' && preg_match(self::INSIDE, $url) !== 1 && preg_match('~^(https?://|mailto:|tel:)[^\s<>"\\\\]+$~iD', $url) !== 1) {
            throw Invalid::at($path, 'A web address begins with https://.');
        }
    }

    /**
     * An address, or words with addresses and merge fields in them, with other pages and offers in place of those it
     * names: after `page:` and `popup:` in a link, and after `page_` or `price_` in a merge field.
     *
     * @param  array<string, string>  $ids  new ids by old ones
     */
    public static function withIds(string $text, array $ids): string
    {
        return (string) preg_replace_callback('/((?:^|")(?:page|popup):|\{\{\s*(?:page|price)_)([A-Za-z0-9-]{1,40})/',
            fn (array $m): string => $m[1].($ids[$m[2]] ?? $m[2]), $text);
    }

    /** `kind` is page, section, outcome, popup, outside or, for '', none. */
    public static function read(string $url): self
    {
        if ($url === '') {
            return new self('none', '');
        }

        return preg_match(self::INSIDE, $url, $m) === 1 ? new self($m[1], $m[2]) : new self('outside', $url);
    }
}
