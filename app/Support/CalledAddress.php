<?php

declare(strict_types=1);

namespace App\Support;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\NetworkAddress;

/** Web addresses of owners' that are told of what happens: never such as lead to this machine or a private network. */
final class CalledAddress
{
    /** @throws Invalid where it is never called */
    public static function check(string $url, string $path): void
    {
        $parts = parse_url($url);
        $host = strtolower(trim($parts['host'] ?? '', '[]'));
        $port = $parts['port'] ?? (strtolower($parts['scheme'] ?? '') === 'http' ? 80 : 443);
        if (! NetworkAddress::mayBeHost($host) && ! in_array("{$host}:{$port}", (array) config('lantern.outgoing.allow'), true)) {
            throw Invalid::at($path, 'This address leads to this machine or a private network, which is never called.');
        }
    }
}
