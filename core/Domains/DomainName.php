<?php

declare(strict_types=1);

namespace Lantern\Core\Domains;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\NetworkAddress;

/** The name of a domain of the owner's, as the DNS writes it: `www.ferncroft.example`, in small letters, without a dot at its end. */
final readonly class DomainName
{
    /** Of a whole name and of one part of it (RFC 1035, 2.3.4). */
    private const LONGEST = 253;

    private const PART = '[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?';

    private function __construct(public string $ascii)
    {
    }

    /**
     * Whatever of an address somebody typed or pasted: `https://Cello.example/free?x`, `cello.example.`, `für.example`.
     *
     * @param  bool  $here  may it be a name of this very machine, such as `cello.localhost`?
     *
     * @throws Invalid with one sentence that says what a domain is
     */
    public static function of(string $typed, bool $here = false): self
    {
        $typed = trim($typed);
        $host = preg_replace(['~^[a-z][a-z0-9+.-]*://~i', '~[/?#].*$~s'], '', $typed) ?? '';
        if ($host === '' || str_contains($host, '@') || strlen($host) > 1000) {
            throw Invalid::at('name', 'Please type the name of your domain, such as cello.example or www.cello.example.');
        }
        if (preg_match('/^(.*):\d*$/Ds', $host, $m) === 1 && ! str_contains($m[1], ':')) {
            throw Invalid::at('name', 'A domain has no port: leave out what follows the colon.');
        }
        $host = (string) preg_replace('/[.。．｡]$/uD', '', $host);
        $ascii = self::ascii($host);
        if ($ascii === null || strlen($ascii) > self::LONGEST || ! str_contains($ascii, '.')
            || preg_match('/^'.self::PART.'(\.'.self::PART.')*$/D', $ascii) !== 1 || preg_match('/\.\d+$/D', $ascii) === 1) {
            throw Invalid::at('name', 'This is no name that a domain can have. Please type it as in cello.example or www.cello.example.');
        }
        if (! NetworkAddress::mayBeHost($ascii) && ! ($here && str_ends_with($ascii, '.localhost'))) {
            throw Invalid::at('name', 'Names that end like this one never lead to the internet: visitors could not come there.');
        }

        return new self($ascii);
    }

    /** As its owner reads it: `für.example`, where the DNS has `xn--fr-hka.example`. */
    public function shown(): string
    {
        $shown = idn_to_utf8($this->ascii, IDNA_NONTRANSITIONAL_TO_UNICODE, INTL_IDNA_VARIANT_UTS46);

        return is_string($shown) && $shown !== '' ? $shown : $this->ascii;
    }

    /** Letters of other scripts as the DNS writes them (UTS #46). */
    private static function ascii(string $host): ?string
    {
        if (preg_match('/^[\x21-\x7e]+$/D', $host) === 1 && stripos($host, 'xn--') === false) {
            return strtolower($host);
        }
        $ascii = mb_check_encoding($host, 'UTF-8') && $host !== ''
            ? idn_to_ascii($host, IDNA_NONTRANSITIONAL_TO_ASCII | IDNA_USE_STD3_RULES | IDNA_CHECK_BIDI | IDNA_CHECK_CONTEXTJ,
                INTL_IDNA_VARIANT_UTS46) : false;

        return is_string($ascii) ? strtolower($ascii) : null;
    }
}
