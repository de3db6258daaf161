<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Support\SiteAddress;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Every address of a public page is made in one place, wherever the pages are. */
final class SiteAddressTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> where pages are, the path of one, and its whole address */
    public static function sites(): iterable
    {
        yield 'a host of their own' => ['https://pages.example', '/plan/thanks', 'https://pages.example/plan/thanks'];
        yield 'with a slash' => ['https://pages.example/', '/plan/thanks', 'https://pages.example/plan/thanks'];
        yield 'with a port' => ['http://localhost:8080', '/plan/thanks', 'http://localhost:8080/plan/thanks'];
        yield 'below a path' => ['https://ferncroft.example/free', '/free/plan/thanks', 'https://ferncroft.example/free/plan/thanks'];
    }

    #[DataProvider('sites')]
    public function test_paths_and_whole_addresses(string $site, string $path, string $url): void
    {
        config(['lantern.site_url' => $site]);
        $address = SiteAddress::of('plan');

        self::assertSame([$path, $url], [$address->path('thanks'), $address->url('thanks')]);
        self::assertSame(substr($path, 0, -7), $address->path(), 'the entry page has no address of its own');
        self::assertSame([$path, substr($path, 0, -7), 'https://x.example/?page:1', ''],
            array_map($address->onward(...), ['page:thanks', 'page:', 'https://x.example/?page:1', '']));
    }
}
