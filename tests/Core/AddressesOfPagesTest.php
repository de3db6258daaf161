<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/**
 * Where public pages stand is said in one place, which knows of domains: links, emails and payments ask it. These few alone speak of the
 * site's host itself, or of the host that was asked.
 */
final class AddressesOfPagesTest extends TestCase
{
    /** Each with why its addresses follow no domain. */
    private const OF_THE_SITE = [
        'Domains/Domains.php' => 'no domain is the site itself',
        'Domains/LookAtDomain.php' => 'a domain is reached as the site is',
        'Front/FrontPages.php' => 'a setting that is written down',
        'Http/Middleware/EachOnItsHost.php' => 'the host that was asked',
        'Http/Site/PreviewController.php' => 'drafts are on no domain',
        'Http/Studio/Account/DomainController.php' => 'said to the owner as what it is',
        'Http/Studio/Account/SessionController.php' => 'the Studio loads pictures of pages from there',
        'Http/Studio/Json/PictureJson.php' => 'likewise',
        'Mail/Sending/ReturnedMail.php' => 'an address for machines, typed once at a provider',
        'Payments/Practice/PracticeCalls.php' => 'likewise',
        'Providers/AppServiceProvider.php' => 'the host where none was asked',
        'Serving/Source.php' => 'which hosts are ours',
        'Support/AnswerKind.php' => 'where the Studio loads pictures from',
        'Support/Hosts.php' => 'what the setting is', 'Support/Place.php' => 'the host that was asked',
        'Support/SiteAddress.php' => 'where pages stand that have no domain',
    ];

    private const OF_THE_HOST_THAT_WAS_ASKED = [
        'Http/Site/EmbedController.php' => 'a script goes on asking the host that it came from',
        'Payments/Practice/PracticePayments.php' => 'the fields of a card stand in a frame of the page’s own host',
        'Serving/PreviewLink.php' => 'drafts are on no domain',
    ];

    /** @return list<string> */
    private static function using(string $pattern): array
    {
        $found = [];
        foreach (Finder::create()->files()->in(dirname(__DIR__, 2).'/app')->name('*.php')->contains($pattern) as $file) {
            $found[] = $file->getRelativePathname();
        }
        sort($found);

        return $found;
    }

    public function test_the_sites_host_is_named_by_these_alone(): void
    {
        self::assertSame(array_keys(self::OF_THE_SITE), self::using('/\bHosts::site\(\)|\bself::site\(\)|config\(.lantern\.site_url/'));
        self::assertSame(array_keys(self::OF_THE_HOST_THAT_WAS_ASKED),
            self::using('/(?<!function )(?<![\w>:$])(?:secure_)?url\(|(?<!function )(?<![\w>:$])route\((?!.*absolute: false)|URL::to\(/'));
    }

    public function test_a_place_on_the_site_is_asked_for_by_whoever_knows_of_domains(): void
    {
        self::assertSame(['Support/Homes.php', 'Support/Place.php'], self::using('/\bSiteAddress::of\(/'));
    }

    /** Cookies that are given where the pages are anyway, and why; all other links that know their reader go there first. */
    private const GIVEN_AT_HOME = [
        'CheckoutController.php' => 'what is bought is taken where its page was open',
        'HandOverController.php' => 'the Studio makes the link a moment before',
        'PopupController.php' => 'asked for by a script of the page',
        'PopupPageController.php' => 'a page of its own, wherever its link was put',
        'SessionRegistrations.php' => 'a form is taken where its page was open',
        'SignupController.php' => 'likewise',
    ];

    public function test_whoever_is_known_by_a_link_is_known_where_the_pages_are(): void
    {
        $give = array_filter(self::using('/SiteCookies::give\(|SessionRegistrations::seat\(/'),
            fn (string $file): bool => str_starts_with($file, 'Http/Site/'));
        $there = array_map(fn (string $file): string => "Http/Site/{$file}", array_keys(self::GIVEN_AT_HOME));
        self::assertSame([], array_values(array_diff($give, $there, self::using('/AtHome::orThere\(/'))));
        self::assertSame([], array_values(array_diff($there, $give)), 'the list names no others');
    }
}
