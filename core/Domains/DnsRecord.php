<?php

declare(strict_types=1);

namespace Lantern\Core\Domains;

/** A record as it is written into the DNS of a domain. */
final readonly class DnsRecord
{
    /**
     * @param  'A'|'AAAA'|'CNAME'  $type
     * @param  string  $name  the whole name
     * @param  string  $value  an address, or the name that it stands for
     */
    private function __construct(public string $type, public string $name, public string $value)
    {
    }

    /**
     * What leads a domain to this server: its addresses, and for a name below another one the shorter way, that it stands for the name of
     * the site. The top of a domain can have no such record (RFC 1034, 3.6.2).
     *
     * @param  list<string>  $addresses  of this server, of v4 and v6
     * @param  string  $site  the name of the site's host
     * @return array{addresses: list<self>, alias: self|null}
     */
    public static function leading(DomainName $domain, array $addresses, string $site): array
    {
        $records = [];
        foreach (array_unique($addresses) as $address) {
            $bytes = @inet_pton($address);
            if ($bytes !== false) {
                $records[] = new self(strlen($bytes) === 4 ? 'A' : 'AAAA', $domain->ascii, (string) inet_ntop($bytes));
            }
        }
        $isName = @inet_pton(trim($site, '[]')) === false && str_contains($site, '.');

        return ['addresses' => $records, 'alias' => $isName && substr_count($domain->ascii, '.') > 1 && $site !== $domain->ascii
            ? new self('CNAME', $domain->ascii, $site) : null];
    }
}
