<?php

declare(strict_types=1);

namespace Tests\Core\Domains;

use Lantern\Core\Domains\AddressForm;
use Lantern\Core\Domains\DomainUse;
use Lantern\Core\Domains\HostRole;
use Lantern\Core\Plan\WebAddress;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which page stands at which path of a host, both ways; and what a host is to us at all. */
final class AddressFormTest extends TestCase
{
    /** @return iterable<string, array{DomainUse|null, string|null, string, array{string, string}|null}> */
    public static function paths(): iterable
    {
        [$business, $alone] = [DomainUse::Business, DomainUse::Funnel];
        yield 'site: a funnel' => [null, null, '/plan', ['plan', '']];
        yield 'site: a page' => [null, null, '/plan/thanks', ['plan', 'thanks']];
        yield 'site: its front' => [null, null, '/', null];
        yield 'business: a page' => [$business, null, '/plan/thanks', ['plan', 'thanks']];
        yield 'business: no front page' => [$business, null, '/', null];
        yield 'business: its front page' => [$business, 'plan', '/', ['plan', '']];
        yield 'business: another funnel' => [$business, 'plan', '/other', ['other', '']];
        yield 'business: a page of the front funnel' => [$business, 'plan', '/plan/thanks', ['plan', 'thanks']];
        yield 'funnel: its entry page' => [$alone, 'plan', '/', ['plan', '']];
        yield 'funnel: a page' => [$alone, 'plan', '/thanks', ['plan', 'thanks']];
        yield 'funnel: as on the site' => [$alone, 'plan', '/plan/thanks', ['plan', 'thanks']];
        yield 'funnel: itself as on the site' => [$alone, 'plan', '/plan', ['plan', '']];
        yield 'funnel: another one' => [$alone, 'plan', '/other/thanks', null];
        yield 'funnel: what is the application’s' => [$alone, 'plan', '/my', null];
        yield 'funnel: gone' => [$alone, null, '/thanks', null];
        yield 'funnel: gone, its front' => [$alone, null, '/', null];
        foreach (['//plan', '/plan/', '/plan//x', '/Plan', '/plan/x/y', '', 'plan', '/%70lan', "/plan\n", '/plan.html', "/pl\0an",
            '/'.str_repeat('a', 61)] as $path) {
            yield 'no path of a page: '.json_encode($path) => [$alone, 'plan', $path, null];
        }
    }

    /** @param  array{string, string}|null  $asked */
    #[DataProvider('paths')]
    public function test_what_is_asked_for_at_a_path(?DomainUse $use, ?string $funnel, string $path, ?array $asked): void
    {
        self::assertSame($asked, AddressForm::asked($use, $funnel, $path));
    }

    /** @return iterable<string, array{AddressForm, DomainUse|null}> */
    public static function forms(): iterable
    {
        yield 'below' => [AddressForm::Below, null];
        yield 'below, on a domain' => [AddressForm::Below, DomainUse::Business];
        yield 'front' => [AddressForm::Front, DomainUse::Business];
        yield 'alone' => [AddressForm::Alone, DomainUse::Funnel];
    }

    #[DataProvider('forms')]
    public function test_each_page_is_asked_for_at_its_own_path_and_is_told_from_every_other(AddressForm $form, ?DomainUse $use): void
    {
        $seen = [];
        // Whatever a page is called, also as the funnel itself is, or as what is the application's.
        foreach (['', 'thanks', 'plan', 'a', ...WebAddress::RESERVED] as $page) {
            $path = $form->path('plan', $page);
            self::assertSame(['plan', $page], AddressForm::asked($use, $form === AddressForm::Below ? null : 'plan', $path), $path);
            self::assertArrayNotHasKey($path, $seen);
            $seen[$path] = true;
            $below = $form->below('plan');
            self::assertTrue($below === '/' || $path === $below || str_starts_with($path, "{$below}/"), "{$path} is below {$below}");
            self::assertDoesNotMatchRegularExpression('~^/('.implode('|', WebAddress::RESERVED).')(/|$)~', $path);
        }
    }

    /** @return iterable<string, array{string|null, HostRole}> */
    public static function hosts(): iterable
    {
        yield 'the Studio' => ['studio.example', HostRole::Studio];
        yield 'with a port, in capitals' => ['STUDIO.example:8443', HostRole::Studio];
        yield 'the site' => ['pages.example', HostRole::Site];
        yield 'a domain' => ['cello.example:80', HostRole::Domain];
        yield 'a name below a domain' => ['www.cello.example', HostRole::Unknown];
        yield 'with a dot at its end' => ['cello.example.', HostRole::Unknown];
        yield 'two ports' => ['cello.example:80:80', HostRole::Unknown];
        yield 'an address' => ['[::1]:80', HostRole::Unknown];
        yield 'nothing' => ['', HostRole::Unknown];
        yield 'no host' => [null, HostRole::Unknown];
        yield 'a port alone' => [':80', HostRole::Unknown];
    }

    #[DataProvider('hosts')]
    public function test_what_a_host_is(?string $host, HostRole $role): void
    {
        $isDomain = fn (string $name): bool => $name === 'cello.example';
        self::assertSame($role, HostRole::of($host, 'studio.example', 'pages.example', $isDomain));
        self::assertSame(HostRole::Both, HostRole::of('One.example', 'one.example', 'one.example', $isDomain));
    }

    public function test_the_studio_is_on_no_host_of_pages_and_pages_are_not_on_the_studios(): void
    {
        $studios = ['studio', 'studio/api/session', 'studio/x'];
        $pages = ['plan', 'plan/thanks', 'm/view', 'studios', 'studio-plan'];
        $may = fn (HostRole $role, array $paths): array => array_values(array_unique(array_map($role->mayBeAsked(...), $paths)));
        foreach ([[HostRole::Studio, [true], [false], [true]], [HostRole::Site, [false], [true], [true]],
            [HostRole::Both, [true], [true], [true]], [HostRole::Domain, [false], [true], [true]],
            [HostRole::Unknown, [false], [false], [false]]] as [$role, $studio, $site, $both]) {
            self::assertSame([$studio, $site, $both], [$may($role, $studios), $may($role, $pages), $may($role, ['up', ''])], $role->name);
        }
    }
}
