<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The rule of direction: the core knows nothing of the application or its framework, and keeps no clock; no room uses one that uses it. */
final class RoomsTest extends TestCase
{
    /** Each room of the core, and the rooms it uses: only such as stand above it. */
    private const CORE = [
        'Support' => [],
        'Messages' => [],
        'Results' => [],
        'Page' => ['Support'],
        'Parts' => ['Support'],
        'Webinars' => ['Parts', 'Support'],
        'Events' => ['Support', 'Webinars'],
        'People' => ['Support'],
        'Deadlines' => ['Events', 'Parts', 'Support'],
        'People/State' => ['Deadlines', 'Messages', 'People', 'Support', 'Webinars'],
        'Rules' => ['Deadlines', 'People', 'People/State', 'Support'],
        'Emails' => ['People/State', 'Rules', 'Support'],
        'Money' => ['Support'],
        'Offers' => ['Money', 'Parts', 'Support'],
        'Orders' => ['Money', 'Support'],
        'Forms' => ['Emails', 'Parts', 'People', 'Support'],
        'Sequences' => ['Deadlines', 'Emails', 'Events', 'Messages', 'Parts', 'Rules', 'Support', 'Webinars'],
        'Popups' => ['Offers', 'Page', 'Parts', 'People/State', 'Rules', 'Sequences', 'Support'],
        'Plan' => [
            'Deadlines', 'Emails', 'Events', 'Forms', 'Money', 'Offers', 'Page', 'Parts', 'Popups', 'Rules', 'Sequences', 'Support',
            'Webinars',
        ],
        'Starters' => [
            'Deadlines', 'Events', 'Forms', 'Money', 'Offers', 'Page', 'Parts', 'People', 'Plan', 'Popups', 'Rules', 'Sequences',
            'Webinars',
        ],
        'Checks' => [
            'Deadlines', 'Emails', 'Events', 'Forms', 'Money', 'Offers', 'Page', 'Plan', 'Popups', 'Rules', 'Sequences', 'Support',
            'Webinars',
        ],
        'Journey' => ['Deadlines', 'Events', 'Forms', 'Offers', 'Page', 'People/State', 'Plan', 'Sequences', 'Webinars'],
        'Visits' => ['Deadlines', 'Plan', 'Results'],
        'Selling' => ['Deadlines', 'Offers', 'Orders'],
        'Sending' => ['Deadlines', 'Messages', 'People', 'People/State', 'Plan', 'Sequences', 'Webinars'],
        'Agenda' => ['Messages', 'People/State', 'Support'],
    ];

    /** Each room of the application, and the rooms it uses: only such as stand above it. */
    private const APPLICATION = [
        'Support' => [],
        'Models' => ['Support'],
        'Deadlines/Running' => ['Support'],
        'People/Consent' => ['Support'],
        'Webinars/Registrations' => ['Models', 'Support'],
        'People/Facts' => ['Deadlines/Running', 'Models', 'Webinars/Registrations'],
        'People/Fields' => ['Support'],
        'People/Proof' => ['Models', 'Support'],
        'People/Segments' => ['Deadlines/Running', 'Models', 'People/Facts', 'People/Fields', 'Support', 'Webinars/Registrations'],
        'Rendering' => ['Models', 'Support'],
        'Results' => ['Models', 'Support'],
        'Drafts' => ['Models', 'Support'],
        'Journey' => ['Models', 'People/Facts', 'Results', 'Support'],
        'Mail/Unsubscribing' => ['Journey', 'Models', 'People/Facts', 'Support'],
        'People/Tags' => ['Journey', 'Models', 'Support'],
        'Webhooks' => ['Journey', 'Models', 'Support'],
        'Files' => ['Journey', 'Models', 'Support'],
        'Mail/Emails' => ['Deadlines/Running', 'Files', 'Models', 'People/Facts', 'Rendering', 'Support', 'Webinars/Registrations'],
        'Mail/Sending' => ['Journey', 'Mail/Emails', 'Models', 'People/Consent', 'Support', 'Webinars/Registrations'],
        'Mail/Sequences' => [
            'Deadlines/Running', 'Journey', 'Mail/Emails', 'Mail/Sending', 'Models', 'People/Facts', 'Support', 'Webinars/Registrations',
        ],
        'Deadlines' => ['Deadlines/Running', 'Journey', 'Mail/Sequences', 'Models', 'People/Facts', 'Support'],
        'People/Browsers' => ['Deadlines', 'Deadlines/Running', 'Support'],
        'People/Bulk' => ['Journey', 'Mail/Sequences', 'Models', 'People/Tags', 'Support'],
        'People/Import' => ['Models', 'People/Consent', 'People/Fields', 'People/Tags', 'Support'],
        'People/Privacy' => ['Deadlines/Running', 'Mail/Sending', 'Models', 'People/Consent', 'People/Fields', 'Results', 'Support'],
        'Export' => ['Drafts', 'Files', 'Models', 'Rendering', 'Support'],
        'Payments' => ['Support'],
        'Orders' => [
            'Deadlines', 'Journey', 'Mail/Emails', 'Mail/Sending', 'Models', 'Payments', 'People/Consent', 'People/Facts',
            'People/Proof', 'Support',
        ],
        'Forms' => [
            'Journey', 'Mail/Emails', 'Mail/Sending', 'Models', 'People/Browsers', 'People/Consent', 'People/Fields', 'People/Proof',
            'Support', 'Webinars/Registrations',
        ],
        'Mail/Broadcasts' => ['Mail/Emails', 'Models', 'People/Segments', 'Support'],
        'Mail/Owner' => ['Journey', 'Mail/Emails', 'Mail/Sending', 'Models', 'Support'],
        'Webinars' => [
            'Deadlines/Running', 'Journey', 'Mail/Emails', 'Mail/Sending', 'Models', 'People/Facts', 'People/Proof', 'Support',
            'Webinars/Registrations',
        ],
        'Serving' => [
            'Deadlines', 'Files', 'Forms', 'Journey', 'Models', 'Orders', 'Payments', 'People/Proof', 'Rendering', 'Support', 'Webinars',
            'Webinars/Registrations',
        ],
        'Popups' => ['Deadlines', 'Forms', 'Models', 'People/Facts', 'Rendering', 'Serving', 'Support', 'Webinars/Registrations'],
        'Publishing' => ['Deadlines', 'Drafts', 'Mail/Sequences', 'Models', 'People/Fields', 'Rendering', 'Serving', 'Support'],
        'Providers' => [
            'Deadlines', 'Files', 'Forms', 'Journey', 'Mail/Broadcasts', 'Mail/Emails', 'Mail/Owner', 'Mail/Sending', 'Mail/Sequences',
            'Orders', 'Payments', 'People/Tags', 'Serving', 'Support', 'Webhooks', 'Webinars',
        ],
        'Console' => [
            'Deadlines', 'Drafts', 'Files', 'Forms', 'Mail/Broadcasts', 'Mail/Owner', 'Mail/Sending', 'Models', 'Orders', 'Payments',
            'People/Import', 'Popups', 'Publishing', 'Rendering', 'Results', 'Serving', 'Support', 'Webhooks', 'Webinars',
        ],
        'Http/Middleware' => ['Support'],
        'Http/Site' => [
            'Deadlines', 'Deadlines/Running', 'Drafts', 'Files', 'Forms', 'Journey', 'Mail/Emails', 'Mail/Sending', 'Mail/Unsubscribing',
            'Models', 'Orders', 'Payments', 'People/Browsers', 'People/Proof', 'Popups', 'Rendering', 'Serving', 'Support', 'Webinars',
            'Webinars/Registrations',
        ],
        'Http/Studio' => [
            'Deadlines', 'Deadlines/Running', 'Drafts', 'Export', 'Files', 'Journey', 'Mail/Broadcasts', 'Mail/Emails', 'Mail/Sending',
            'Mail/Sequences', 'Mail/Unsubscribing', 'Models', 'Orders', 'Payments', 'People/Bulk', 'People/Facts', 'People/Fields',
            'People/Import', 'People/Privacy', 'People/Segments', 'People/Tags', 'Popups', 'Publishing', 'Rendering', 'Results',
            'Serving', 'Support', 'Webhooks', 'Webinars',
        ],
    ];

    /** @return iterable<string, array{string, string, array<string, list<string>>}> */
    public static function houses(): iterable
    {
        yield 'core' => ['core', 'Lantern\\Core', self::CORE];
        yield 'application' => ['app', 'App', self::APPLICATION];
    }

    /** @param  array<string, list<string>>  $rooms */
    #[DataProvider('houses')]
    public function test_a_room_uses_the_rooms_it_names_and_no_others(string $folder, string $namespace, array $rooms): void
    {
        $found = array_fill_keys(array_keys($rooms), []);
        foreach ($this->files($folder) as $path => $code) {
            $from = self::room($path, $rooms);
            self::assertNotNull($from, "{$path} is in no room");
            preg_match_all('/(?<![\w\\\\])\\\\?'.preg_quote($namespace, '/').'((?:\\\\\w+)+)/',
                (string) preg_replace('/\{@see [^}]*\}/', '', $code), $used);
            foreach ($used[1] as $class) {
                $to = self::room(substr(str_replace('\\', '/', $class), 1).'.php', $rooms);
                if ($to !== null && $to !== $from && is_file(dirname(__DIR__, 2)."/{$folder}".str_replace('\\', '/', $class).'.php')) {
                    $found[$from][$to] = $to;
                }
            }
        }
        foreach ($found as $room => $uses) {
            sort($uses);
            self::assertSame($rooms[$room], $uses, "what {$room} uses");
        }
    }

    /** @param  array<string, list<string>>  $rooms */
    #[DataProvider('houses')]
    public function test_no_room_uses_one_that_uses_it(string $folder, string $namespace, array $rooms): void
    {
        $above = [];
        foreach ($rooms as $room => $uses) {
            self::assertSame([], array_values(array_diff($uses, $above)), "{$room} uses only what stands above it");
            $above[] = $room;
        }
    }

    /** @param  array<string, list<string>>  $rooms */
    private static function room(string $path, array $rooms): ?string
    {
        $parts = explode('/', $path);
        $two = implode('/', array_slice($parts, 0, 2));

        return isset($rooms[$two]) ? $two : (isset($rooms[$parts[0]]) ? $parts[0] : null);
    }

    /** @return iterable<string, string> the code of each file, by its path in the folder */
    private function files(string $folder): iterable
    {
        $root = dirname(__DIR__, 2)."/{$folder}";
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            assert($file instanceof SplFileInfo);
            yield substr($file->getPathname(), strlen($root) + 1) => (string) file_get_contents($file->getPathname());
        }
    }

    public function test_the_core_stands_on_its_own(): void
    {
        $found = [];
        $files = 0;
        foreach ($this->files('core') as $path => $code) {
            $files++;
            preg_match_all('/(?:^|[^\\\\\w])\\\\?((?:Illuminate|App|Laravel|Carbon|Symfony|Database)\\\\\w[\w\\\\]*)/', $code, $m);
            // The clock, chance, the environment, the disk and the screen are the shell's.
            preg_match_all('/(?<![\w>:$])(time|microtime|date|now|rand|mt_rand|random_int|random_bytes|getenv|env|file_get_contents|'
                .'file_put_contents|fopen|echo|header|DB|config)\s*\(/', $code, $calls);
            preg_match_all('/new \\\\?DateTime(?:Immutable)?(?:\(\)|;|\s*\))/', $code, $clocks);
            foreach ([...$m[1], ...$calls[0], ...$clocks[0]] as $what) {
                $found[] = $path.': '.$what;
            }
            if (! str_contains($code, 'declare(strict_types=1);')) {
                $found[] = $path.': no strict types';
            }
        }
        self::assertSame([], $found);
        self::assertGreaterThan(30, $files);
    }
}
