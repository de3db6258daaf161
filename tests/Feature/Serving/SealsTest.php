<?php

declare(strict_types=1);

namespace Tests\Feature\Serving;

use App\Support\Seal;
use App\Support\SealPurpose;
use App\Support\SiteAddress;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Illuminate\Cookie\CookieValuePrefix;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Crypt;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Finder\Finder;
use Tests\TestCase;

/** Seals and cookies of public pages: made and opened in one place, for one purpose each, and kept ones go on working. */
final class SealsTest extends TestCase
{
    /** @return iterable<string, array{SealPurpose}> */
    public static function purposes(): iterable
    {
        foreach (SealPurpose::cases() as $purpose) {
            yield $purpose->value => [$purpose];
        }
    }

    #[DataProvider('purposes')]
    public function test_a_seal_holds_for_its_purpose_and_its_words_alone(SealPurpose $purpose): void
    {
        $seal = Seal::of($purpose, 'order|1', 20);

        self::assertMatchesRegularExpression('/^[0-9a-f]{20}$/D', $seal);
        self::assertTrue(Seal::holds($purpose, 'order|1', $seal, 20));
        self::assertFalse(Seal::holds($purpose, 'order|2', $seal, 20));
        self::assertFalse(Seal::holds($purpose, 'order|1', $seal, 40), 'not cut short');
        self::assertFalse(Seal::holds($purpose, 'order|1', '', 20));
        self::assertFalse(Seal::holds($purpose, 'order|1', null, 20));
        foreach (SealPurpose::cases() as $other) {
            self::assertSame($other === $purpose, Seal::holds($other, 'order|1', $seal, 20), $other->value);
        }
    }

    public function test_links_of_the_release_before_go_on_working(): void
    {
        $key = (string) config('app.key');
        $old = fn (string $words, int $length): string => substr(hash_hmac('sha256', $words, $key), 0, $length);

        self::assertTrue(Seal::holds(SealPurpose::Payment, 'order|1', $old('pay|order|1', 32), 32));
        self::assertTrue(Seal::holds(SealPurpose::Mail, 'link|m|1', $old('link|m|1', 20), 20));
        self::assertTrue(Seal::holds(SealPurpose::Registration, 'r', $old('registration|r', 20), 20));
        self::assertTrue(Seal::holds(SealPurpose::HandOver, '/x|1|2|3', $old('hand over|/x|1|2|3', 64), 64));
        self::assertFalse(Seal::holds(SealPurpose::Confirmation, 'order|1', $old('pay|order|1', 32), 32));
    }

    /** @return iterable<string, array{SiteCookie}> */
    public static function cookies(): iterable
    {
        foreach (SiteCookie::cases() as $cookie) {
            yield $cookie->value => [$cookie];
        }
    }

    #[DataProvider('cookies')]
    public function test_a_cookie_is_read_as_it_was_given_and_as_no_other(SiteCookie $cookie): void
    {
        $given = SiteCookies::give($cookie, 'abc def', SiteAddress::of('funnel'));
        $read = fn (mixed $kept, SiteCookie $as): ?string => SiteCookies::read(new Request([], [], [], [$as->value => $kept]), $as);

        self::assertSame(['/funnel', 'lax', ! $cookie->isForScripts()], [$given->getPath(), $given->getSameSite(), $given->isHttpOnly()]);
        self::assertSame('abc def', $read($given->getValue(), $cookie));
        foreach (SiteCookie::cases() as $other) {
            if ($other !== $cookie && ! $other->isForScripts() && ! $cookie->isForScripts()) {
                self::assertNull($read($given->getValue(), $other), "{$cookie->value} as {$other->value}");
            }
        }
        if (! $cookie->isForScripts()) {
            foreach (['abc def', 'abc def~', 'other~'.explode('~', (string) $given->getValue())[1], '~', '', str_repeat('x', 5000), ['x'],
                "\0~\0"] as $forged) {
                self::assertNull($read($forged, $cookie));
            }
        }
    }

    public function test_a_cookie_of_the_release_before_goes_on_working_and_is_no_other_either(): void
    {
        $kept = Crypt::encryptString(CookieValuePrefix::create('lantern_order', Crypt::getKey()).'01abc');
        $read = fn (SiteCookie $as): ?string => SiteCookies::read(new Request([], [], [], [$as->value => $kept]), $as);

        self::assertSame(['01abc', null], [$read(SiteCookie::Order), $read(SiteCookie::Reader)]);
    }

    public function test_nobody_makes_seals_or_cookies_of_public_pages_by_hand(): void
    {
        $found = [];
        foreach (Finder::create()->files()->in(app_path())->name('*.php')->sortByName() as $file) {
            if (preg_match('/hash_hmac\(|Cookie::make\(|new Cookie\(|->cookie\(|cookies->get/', $file->getContents()) === 1) {
                $found[] = $file->getRelativePathname();
            }
        }

        // Signatures of calls, and keyed hashes that are stored and opened by nobody.
        self::assertSame(['Payments/Practice/PracticePayments.php', 'People/Consent/Suppressions.php', 'Records/DeadlineOwner.php',
            'Support/Seal.php', 'Support/SiteCookies.php', 'Webhooks/Webhooks.php'], $found);
    }
}
