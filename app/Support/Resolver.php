<?php

declare(strict_types=1);

namespace App\Support;

/** Asks what addresses a host has. */
class Resolver
{
    /** @return list<string> addresses of v4 and v6; none where nobody knows the host */
    public function addresses(string $host): array
    {
        if (@inet_pton($host) !== false) {
            return [$host];
        }
        // Names of this machine itself (RFC 6761, 6.3), which not every resolver knows.
        if (preg_match('/(^|\.)localhost$/Di', $host) === 1) {
            return ['127.0.0.1'];
        }
        $six = @dns_get_record($host, DNS_AAAA);

        return [...(gethostbynamel($host) ?: []), ...array_values(array_filter(array_column($six ?: [], 'ipv6'), is_string(...)))];
    }
}
