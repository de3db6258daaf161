<?php

declare(strict_types=1);

namespace Tests\Core;

use FilesystemIterator;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Whoever types an address is not yet its person: proof is made by a link in an email alone, and asked for at every door. */
final class ProofTest extends TestCase
{
    /** Where somebody comes by a link that only an email holds, or by the cookie that such a link has left. */
    private const MADE_IN = ['app/Http/Site/Pay/PurchasesController.php' => 'byLink', 'app/Serving/Visit.php' => 'byCookie'];

    /**
     * The cookie that says who came by an email's link is left by such a link alone. The front only looks whether there is one, and
     * leaves whoever has it to the framework.
     */
    private const LEAVES_COOKIE = ['app/Front/FrontSignups.php', 'app/Front/FrontViews.php', 'app/Http/Site/BeaconController.php',
        'app/Front/FrontFacts.php', 'app/Http/Site/MailLinkController.php', 'app/Serving/Visit.php'];

    /** Where all that somebody has bought may be opened by them: in what is sent to them. */
    private const KNOWS_PURCHASES = ['app/Orders/Messages/ReceiptMessage.php', 'app/Orders/Messages/PaymentTroubleMessage.php'];

    /** @return array<string, string> what stands in each file of the application and its views */
    private static function files(): array
    {
        $root = dirname(__DIR__, 2);
        $files = [];
        foreach (['app', 'resources/views'] as $folder) {
            foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}",
                FilesystemIterator::SKIP_DOTS)) as $f) {
                assert($f instanceof SplFileInfo);
                $files[substr($f->getPathname(), strlen($root) + 1)] = (string) file_get_contents($f->getPathname());
            }
        }

        return $files;
    }

    /** @return list<string> */
    private static function filesWith(string $pattern): array
    {
        $found = array_keys(array_filter(self::files(), fn (string $php): bool => preg_match($pattern, $php) === 1));
        sort($found);

        return $found;
    }

    public function test_proof_is_made_where_a_link_of_an_email_comes_in_and_nowhere_else(): void
    {
        $makers = array_keys(self::MADE_IN);
        sort($makers);
        self::assertSame($makers, self::filesWith('/\bProven::by/'));
        foreach (self::MADE_IN as $file => $by) {
            self::assertMatchesRegularExpression("/Proven::{$by}\\(/", self::files()[$file]);
        }
        $cookie = self::LEAVES_COOKIE;
        sort($cookie);
        self::assertSame($cookie, self::filesWith('/\bSiteCookie::Reader\b/'));
    }

    public function test_the_address_of_all_purchases_stands_in_emails_alone(): void
    {
        $known = self::KNOWS_PURCHASES;
        sort($known);
        self::assertSame($known, self::filesWith('/PayLinks::purchases\(/'));
    }

    public function test_what_opens_all_of_a_person_takes_proof(): void
    {
        $files = self::files();
        foreach (['app/Orders/Purchases.php' => ['ofPerson'], 'app/Orders/CardChange.php' => ['orders', 'order'],
            'app/Orders/JoinOrders.php' => ['to']] as $file => $methods) {
            foreach ($methods as $method) {
                self::assertMatchesRegularExpression("/public function {$method}\\(Proven \\\$proven[,)]/", $files[$file],
                    "{$file}: {$method}");
            }
        }
    }
}
