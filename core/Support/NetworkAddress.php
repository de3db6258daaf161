<?php

declare(strict_types=1);

namespace Lantern\Core\Support;

/** Whether an address of the network is one that anybody on the internet could reach, and not this machine or a private network. */
final class NetworkAddress
{
    /**
     * What PHP's filter takes for public and is not: multicast (RFC 5771), benchmarking (RFC 2544), shared space (RFC 6598), relays (RFC
     * 7526).
     */
    private const NOT_PUBLIC = ['224.0.0.0/4', '198.18.0.0/15', '100.64.0.0/10', '192.88.99.0/24', '192.0.0.0/24', '192.0.2.0/24',
        '198.51.100.0/24', '203.0.113.0/24', '0.0.0.0/8', '240.0.0.0/4'];

    /** Ways to write a v4 address as a v6 one: mapped, compatible, translated (RFC 6052), and its first bits. */
    private const HOLDS_V4 = ['::ffff:0:0/96' => 12, '::/96' => 12, '64:ff9b::/96' => 12, '64:ff9b:1::/48' => 12, '2002::/16' => 2];

    /** @param  string  $address  as `inet_pton` reads it; anything else is none */
    public static function isPublic(string $address): bool
    {
        $bytes = @inet_pton($address);
        if ($bytes === false) {
            return false;
        }
        if (strlen($bytes) === 16) {
            foreach (self::HOLDS_V4 as $range => $at) {
                if (self::isIn($bytes, $range)) {
                    return self::isPublic((string) inet_ntop(substr($bytes, $at, 4)));
                }
            }

            // Of v6 only what is given out for the internet at large (RFC 4291), without what is documentation or a tunnel.
            return self::isIn($bytes, '2000::/3') && ! self::isIn($bytes, '2001:db8::/32') && ! self::isIn($bytes, '2001::/23')
                && ! self::isIn($bytes, '3fff::/20');
        }
        foreach (self::NOT_PUBLIC as $range) {
            if (self::isIn($bytes, $range)) {
                return false;
            }
        }

        return filter_var((string) inet_ntop($bytes), FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE) !== false;
    }

    /**
     * May a host, as it stands in a web address, be one on the internet? What is told without asking anybody: addresses of this machine
     * and of private networks in every way to write one, and names that never lead out of a network (RFC 6761, 6762, 8375, 9476).
     */
    public static function mayBeHost(string $host): bool
    {
        $host = strtolower(rtrim(trim($host, '[]'), '.'));
        // A number, whole or in parts, in whatever base: resolvers read it as an address.
        if (str_contains($host, ':') || preg_match('/^(0x[0-9a-f]*|\d+)(\.(0x[0-9a-f]*|\d+))*$/D', $host) === 1) {
            return self::isPublic($host);
        }

        return str_contains($host, '.') && preg_match('/\.(localhost|local|internal|home\.arpa|lan|intranet|corp|home)$/D', $host) !== 1;
    }

    /**
     * What stands for one line to the internet: a v4 address, or the 64 bits of a v6 one that a household has.
     *
     * @return string as hexadecimal; '' for what is no address
     */
    public static function block(string $address): string
    {
        $bytes = @inet_pton($address);

        return $bytes === false ? '' : bin2hex(substr($bytes, 0, 8));
    }

    /** @param  string  $range  such as `10.0.0.0/8`, or a single address; what is no address is within nothing */
    public static function isWithin(string $address, string $range): bool
    {
        $bytes = @inet_pton($address);
        if ($bytes === false || preg_match('#^([0-9a-fA-F:.]+)(?:/(\d{1,3}))?$#D', $range, $m) !== 1 || @inet_pton($m[1]) === false) {
            return false;
        }
        $bits = $m[2] ?? (string) (8 * strlen($bytes));

        return (int) $bits <= 8 * strlen($bytes) && self::isIn($bytes, "{$m[1]}/{$bits}");
    }

    private static function isIn(string $bytes, string $range): bool
    {
        [$from, $bits] = explode('/', $range);
        $start = (string) inet_pton($from);
        if (strlen($start) !== strlen($bytes)) {
            return false;
        }
        $whole = intdiv((int) $bits, 8);
        $rest = (int) $bits % 8;
        $mask = 0xFF << (8 - $rest) & 0xFF;

        return substr($bytes, 0, $whole) === substr($start, 0, $whole)
            && ($rest === 0 || (ord($bytes[$whole]) & $mask) === (ord($start[$whole]) & $mask));
    }
}
