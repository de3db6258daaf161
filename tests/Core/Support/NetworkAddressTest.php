<?php

declare(strict_types=1);

namespace Tests\Core\Support;

use Lantern\Core\Support\NetworkAddress;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NetworkAddressTest extends TestCase
{
    /** @return iterable<string, array{string, bool}> */
    public static function addresses(): iterable
    {
        foreach (['11.22.33.44', '2a00:1450::1', '::ffff:11.22.33.44', '64:ff9b::b16:212c', '172.32.0.1', '100.128.0.1', '169.253.255.255',
            '2002:b16:212c::1'] as $public) {
            yield $public => [$public, true];
        }
        foreach (['127.0.0.1', '127.255.255.255', '10.0.0.1', '172.16.0.1', '172.31.255.255', '192.168.1.1', '169.254.169.254', '0.0.0.0',
            '0.1.2.3',
            '100.64.0.1', '224.0.0.1', '239.255.255.255', '240.0.0.1', '255.255.255.255', '198.18.0.1', '192.0.2.1', '203.0.113.9', '::',
            '::1',
            'fe80::1', 'fc00::1', 'fd12::1', 'ff02::1', '::ffff:127.0.0.1', '::ffff:7f00:1', '::127.0.0.1', '64:ff9b::7f00:1',
            '2002:7f00:1::',
            '2001:db8::1', '2001::1', '100::1', '::ffff:169.254.169.254', '127.1', '2130706433', '0x7f.0.0.1', '0177.0.0.1', 'localhost',
            '',
            '127.0.0.1 ', '[::1]', 'fe80::1%eth0'] as $not) {
            yield "“{$not}”" => [$not, false];
        }
    }

    #[DataProvider('addresses')]
    public function test_only_what_all_can_reach_is_public(string $address, bool $isPublic): void
    {
        self::assertSame($isPublic, NetworkAddress::isPublic($address));
    }

    /** @return iterable<string, array{string, string, bool}> */
    public static function ranges(): iterable
    {
        foreach ([['10.1.2.3', '10.0.0.0/8', true], ['11.1.2.3', '10.0.0.0/8', false], ['10.1.2.3', '10.1.2.3', true],
            ['10.1.2.4', '10.1.2.3', false], ['10.1.2.127', '10.1.2.0/25', true], ['10.1.2.128', '10.1.2.0/25', false],
            ['1.2.3.4', '0.0.0.0/0', true], ['2001:db8::5', '2001:db8::/32', true], ['2001:db9::5', '2001:db8::/32', false],
            ['::1', '::1', true], ['::ffff:10.1.2.3', '10.0.0.0/8', false], ['10.1.2.3', '::/0', false], ['10.1.2.3', '10.0.0.0/33', false],
            ['10.1.2.3', '10.0.0.0/-1', false], ['10.1.2.3', 'proxy.example', false], ['', '10.0.0.0/8', false], ['x', '', false],
            ['unix:', '*', false], ["10.1.2.3\n", '10.0.0.0/8', false]] as [$address, $range, $is]) {
            yield json_encode($address)." in {$range}" => [$address, $range, $is];
        }
    }

    #[DataProvider('ranges')]
    public function test_what_is_within_a_range(string $address, string $range, bool $is): void
    {
        self::assertSame($is, NetworkAddress::isWithin($address, $range));
    }
}
