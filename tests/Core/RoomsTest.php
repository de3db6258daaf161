<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The rule of direction: the core knows nothing of the application or its framework, and keeps no clock; no room uses one that uses it. */
final class RoomsTest extends TestCase
{
    /** Each room of the core, and the rooms it uses: only such as stand above it. */
    private const CORE = [
        'Languages' => [],
        'Support' => ['Languages'],
        'Messages' => ['Support'],
        'Money' => ['Languages', 'Support'],
        'Parts' => ['Support'],
        'Page' => ['Parts', 'Support'],
        'Offers' => ['Languages', 'Money', 'Parts', 'Support'],
        'Orders' => ['Languages', 'Money', 'Support'],
        'Attention' => [],
        'Statistics' => [],
        'Webinars' => ['Attention', 'Parts', 'Support'],
        'Events' => ['Support', 'Webinars'],
        'Deadlines' => ['Events', 'Languages', 'Parts', 'Support'],
        'People' => ['Deadlines', 'Languages', 'Messages', 'Support', 'Webinars'],
        'Selling' => ['Deadlines', 'Offers', 'Orders'],
        'Agenda' => ['Messages', 'People', 'Support'],
        'Warmth' => ['Events', 'People', 'Statistics', 'Support'],
        'Rules' => ['Deadlines', 'People', 'Support', 'Warmth'],
        'Emails' => ['People', 'Rules', 'Support'],
        'Forms' => ['Emails', 'Languages', 'Parts', 'People', 'Support'],
        'Automation' => ['Deadlines', 'Events', 'Parts', 'Rules', 'Support'],
        'Sequences' => ['Deadlines', 'Emails', 'Events', 'Messages', 'Parts', 'Rules', 'Support', 'Webinars'],
        'Guides' => ['Attention', 'Forms', 'Page', 'Parts', 'Support'],
        'Popups' => ['Offers', 'Page', 'Parts', 'People', 'Rules', 'Sequences', 'Support'],
        'Experiments' => ['Deadlines', 'Emails', 'Page', 'Parts', 'Popups', 'Sequences', 'Statistics', 'Support', 'Webinars'],
        'Promises' => ['Parts', 'People', 'Support'],
        'Plan' => [
            'Automation', 'Deadlines', 'Emails', 'Events', 'Experiments', 'Forms', 'Guides', 'Languages', 'Money', 'Offers', 'Page',
            'Parts', 'Popups',
            'Promises', 'Rules', 'Sequences',
            'Support', 'Webinars',
        ],
        'Checks' => [
            'Automation', 'Deadlines', 'Emails', 'Events', 'Experiments', 'Forms', 'Guides', 'Languages', 'Money', 'Offers', 'Page',
            'Plan', 'Popups',
            'Rules',
            'Sequences',
            'Support', 'Webinars',
        ],
        'Journey' => ['Automation', 'Deadlines', 'Events', 'Experiments', 'Forms', 'Offers', 'Page', 'People', 'Plan', 'Sequences',
            'Webinars'],
        'Sending' => ['Deadlines', 'Messages', 'People', 'Plan', 'Sequences', 'Webinars'],
        'Starters' => [
            'Deadlines', 'Events', 'Forms', 'Guides', 'Money', 'Offers', 'Page', 'Parts', 'People', 'Plan', 'Popups', 'Rules',
            'Sequences', 'Support', 'Webinars',
        ],
        'Domains' => ['Plan', 'Support'],
        'Results' => ['Events', 'Plan', 'Support'],
        'Visits' => ['Deadlines', 'Plan', 'Results'],
        'Rehearsal' => [
            'Agenda', 'Attention', 'Automation', 'Checks', 'Deadlines', 'Emails', 'Events', 'Experiments', 'Forms', 'Guides', 'Journey',
            'Messages',
            'Money', 'Offers', 'Orders', 'Page', 'People', 'Plan', 'Popups', 'Promises', 'Results', 'Rules', 'Selling', 'Sending',
            'Sequences', 'Support', 'Visits', 'Warmth', 'Webinars',
        ],
        'Forecast' => ['Promises', 'Rehearsal', 'Results', 'Statistics'],
    ];

    /** Each room of the application, likewise. */
    private const APPLICATION = [
        'Support' => [],
        'Models' => ['Support'],
        'Languages' => ['Models'],
        'Payments' => ['Support'],
        'Records' => ['Models', 'Support'],
        'Drafts' => ['Languages', 'Models', 'Records', 'Support'],
        'Rendering' => ['Languages', 'Models', 'Support'],
        'Results' => ['Models', 'Support'],
        'Experiments' => ['Models', 'Results', 'Support'],
        'Warmth' => ['Models', 'Support'],
        'Journey' => ['Experiments', 'Models', 'Records', 'Results', 'Support', 'Warmth'],
        'Files' => ['Journey', 'Models', 'Support'],
        'People' => ['Experiments', 'Journey', 'Models', 'Records', 'Results', 'Support', 'Warmth'],
        'Guides' => ['Journey', 'Models', 'People', 'Records', 'Support'],
        'Webhooks' => ['Journey', 'Models', 'Support'],
        'Domains' => ['Models', 'Support', 'Webhooks'],
        'Export' => ['Drafts', 'Files', 'Languages', 'Models', 'Rendering', 'Support'],
        'Mail' => ['Experiments', 'Files', 'Journey', 'Languages', 'Models', 'People', 'Records', 'Rendering', 'Results', 'Support'],
        'Deadlines' => ['Experiments', 'Journey', 'Mail', 'Models', 'Records', 'Support', 'Warmth'],
        'Webinars' => ['Journey', 'Languages', 'Mail', 'Models', 'People', 'Records', 'Support', 'Warmth'],
        'Forms' => ['Deadlines', 'Journey', 'Languages', 'Mail', 'Models', 'People', 'Records', 'Support'],
        'Rehearsal' => ['Journey', 'Models', 'Records', 'Warmth', 'Webinars'],
        'Automation' => ['Journey', 'Mail', 'Models', 'People', 'Records', 'Support'],
        'Forecast' => ['Models', 'Rehearsal', 'Results', 'Support'],
        'Orders' => ['Deadlines', 'Journey', 'Languages', 'Mail', 'Models', 'Payments', 'People', 'Records', 'Results', 'Support'],
        'Serving' => [
            'Deadlines', 'Experiments', 'Files', 'Forms', 'Guides', 'Journey', 'Languages', 'Models', 'Orders', 'Payments', 'People',
            'Records', 'Rendering', 'Results',
            'Support', 'Webinars',
        ],
        'Popups' => ['Deadlines', 'Experiments', 'Forms', 'Languages', 'Models', 'Records', 'Rendering', 'Serving', 'Support', 'Webinars'],
        'Front' => ['Deadlines', 'Forms', 'Languages', 'Models', 'Records', 'Rendering', 'Serving', 'Support'],
        'Providers' => [
            'Automation', 'Deadlines', 'Files', 'Forms', 'Front', 'Journey', 'Languages', 'Mail', 'Orders', 'Payments', 'People',
            'Serving', 'Support',
            'Webhooks', 'Webinars',
        ],
        'Publishing' => ['Deadlines', 'Drafts', 'Experiments', 'Journey', 'Mail', 'Models', 'People', 'Records', 'Rendering', 'Serving',
            'Support'],
        'Console' => [
            'Automation', 'Deadlines', 'Domains', 'Drafts', 'Files', 'Forms', 'Mail', 'Models', 'Orders', 'Payments', 'People', 'Popups',
            'Publishing',
            'Rendering', 'Results', 'Serving', 'Support', 'Warmth', 'Webhooks', 'Webinars',
        ],
        'Http' => [
            'Automation', 'Deadlines', 'Domains', 'Drafts', 'Experiments', 'Export', 'Files', 'Forecast', 'Forms', 'Front', 'Guides',
            'Journey', 'Languages', 'Mail',
            'Models', 'Orders', 'Payments', 'People',
            'Popups', 'Publishing', 'Records', 'Rehearsal', 'Rendering', 'Results', 'Serving', 'Support', 'Warmth', 'Webhooks', 'Webinars',
        ],
    ];

    /** Rooms within a room that it uses and that use it: a list of kinds and what all of them share. */
    private const WITHIN = [
        'core' => ['Events/Trigger'],
        'app' => ['Drafts/Kinds', 'Serving/Facts', 'Serving/Slots'],
    ];

    /** What views and routes ask for of the application by name; all else they are given. */
    private const OUTSIDE = [
        'resources/views' => ['Orders', 'Payments', 'Rendering'],
        'routes' => ['Http'],
    ];

    /**
     * Classes that know each other, and why: work and the job that carries it on (application), a list of kinds and the kind that asks
     * it, a look and the colours worked out for it, a value and what reads its older forms (core). No others do.
     */
    private const KNOTS = [
        'core' => [
            'Checks/EmailCheck Checks/GoLiveCheck Checks/GuideCheck Checks/PageCheck Checks/PopupCheck',
            'Page/Block/BlockKind Page/Block/Blocks',
            'Page/Look/Look Page/Look/Paint', 'Plan/PageChanges Plan/PagePlan', 'Plan/Plan Plan/Upgrades',
            'Starters/StarterPages Starters/StarterSales',
        ],
        'app' => [
            'Mail/Sending/MessageSender Mail/Sending/Planner Mail/Sending/SendMessage', 'People/Bulk/BulkActs People/Bulk/FollowBulkAct',
            'People/Import/ImportPeople People/Import/Importing', 'People/Import/ImportUndo People/Import/UndoImport',
            'Webhooks/CallHook Webhooks/Webhooks', 'Webinars/LiveRoom Webinars/Presence',
        ],
    ];

    private const NAMESPACES = ['core' => 'Lantern\\Core', 'app' => 'App'];

    /** @return iterable<string, array{string, array<string, list<string>>}> */
    public static function houses(): iterable
    {
        yield 'core' => ['core', self::CORE];
        yield 'application' => ['app', self::APPLICATION];
    }

    /** @return array<string, list<string>> the classes of the same house that each class uses, as paths without an ending */
    private static function graph(string $folder): array
    {
        $graph = [];
        foreach (UsedClasses::in($folder) as $file => $names) {
            $from = substr($file, 0, -4);
            $graph[$from] = [];
            foreach ($names as $name) {
                $to = self::pathOf($name, $folder);
                if ($to !== null && $to !== $from) {
                    $graph[$from][] = $to;
                }
            }
        }

        return $graph;
    }

    /** The file of a class in a house, without its ending; null where it is of another. */
    private static function pathOf(string $name, string $folder): ?string
    {
        $prefix = self::NAMESPACES[$folder].'\\';
        $path = str_starts_with($name, $prefix) ? str_replace('\\', '/', substr($name, strlen($prefix))) : null;

        return $path !== null && is_file(dirname(__DIR__, 2)."/{$folder}/{$path}.php") ? $path : null;
    }

    private static function room(string $path): string
    {
        return explode('/', $path)[0];
    }

    /** @param  array<string, list<string>>  $rooms */
    #[DataProvider('houses')]
    public function test_a_room_uses_the_rooms_it_names_and_no_others(string $folder, array $rooms): void
    {
        $found = array_fill_keys(array_keys($rooms), []);
        foreach (self::graph($folder) as $from => $uses) {
            self::assertArrayHasKey(self::room($from), $found, "{$from} is in no room");
            foreach ($uses as $to) {
                $found[self::room($from)][self::room($to)] = self::room($to);
            }
        }
        foreach ($found as $room => $uses) {
            unset($uses[$room]);
            sort($uses);
            self::assertSame($rooms[$room], $uses, "what {$room} uses");
        }
    }

    /** @param  array<string, list<string>>  $rooms */
    #[DataProvider('houses')]
    public function test_no_room_uses_one_that_uses_it(string $folder, array $rooms): void
    {
        $above = [];
        foreach ($rooms as $room => $uses) {
            self::assertSame([], array_values(array_diff($uses, $above)), "{$room} uses only what stands above it");
            $above[] = $room;
        }
    }

    /** @param  array<string, list<string>>  $rooms */
    #[DataProvider('houses')]
    public function test_no_room_within_a_room_uses_one_that_uses_it(string $folder, array $rooms): void
    {
        $within = fn (string $path): string => count(explode('/', $path)) > 2 ? implode('/', array_slice(explode('/', $path), 0, 2))
            : self::room($path);
        $graph = [];
        foreach (self::graph($folder) as $from => $uses) {
            foreach ($uses as $to) {
                if (self::room($from) === self::room($to) && $within($from) !== $within($to)
                    && array_intersect([$within($from), $within($to)], self::WITHIN[$folder]) === []) {
                    $graph[$within($from)][] = $within($to);
                }
            }
        }

        self::assertSame([], self::knots($graph));
    }

    /** @param  array<string, list<string>>  $rooms */
    #[DataProvider('houses')]
    public function test_no_classes_know_each_other_but_those_that_are_named(string $folder, array $rooms): void
    {
        // Rows that belong to each other do.
        $graph = array_filter(self::graph($folder), fn (string $class): bool => self::room($class) !== 'Models', ARRAY_FILTER_USE_KEY);

        self::assertSame(self::KNOTS[$folder], array_map(fn (array $knot): string => implode(' ', $knot), self::knots($graph)));
    }

    public function test_views_and_routes_ask_for_little_by_name(): void
    {
        foreach (self::OUTSIDE as $folder => $rooms) {
            $found = [];
            foreach (UsedClasses::files($folder) as $code) {
                preg_match_all('/(?<![\w\\\\])\\\\?App((?:\\\\\w+)+)/', $code, $m);
                foreach ($m[1] as $class) {
                    $found[explode('\\', $class)[1]] = true;
                }
            }
            ksort($found);
            self::assertSame($rooms, array_keys($found), $folder);
        }
    }

    public function test_names_are_found_however_they_are_written(): void
    {
        self::assertSame(['A\\B\\C', 'A\\B\\D\\E', 'X\\Y', 'X\\Z', 'W\\V'], array_values(array_intersect(['A\\B\\C', 'A\\B\\D\\E',
            'X\\Y', 'X\\Z', 'W\\V', 'A\\B\\strlen', 'strlen'], UsedClasses::of('<?php namespace A\B; use X\Y; use X\{Z as Q}; '
                .'function f(C $c, Q $q): D\E { strlen(""); return new \W\V; }'))));
    }

    /**
     * @param  array<string, list<string>>  $graph
     * @return list<list<string>> what can be reached from each other, by name
     */
    private static function knots(array $graph): array
    {
        $reach = [];
        foreach (array_keys($graph) as $start) {
            [$seen, $left] = [[], $graph[$start]];
            while (($next = array_pop($left)) !== null) {
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    array_push($left, ...$graph[$next] ?? []);
                }
            }
            $reach[$start] = $seen;
        }
        $knots = [];
        foreach ($reach as $one => $seen) {
            if (isset($seen[$one])) {
                $knot = array_keys(array_filter($reach, fn (array $other, string $name): bool => isset($seen[$name], $other[$one]),
                    ARRAY_FILTER_USE_BOTH));
                sort($knot);
                $knots[implode(' ', $knot)] = $knot;
            }
        }
        ksort($knots);

        return array_values($knots);
    }

    public function test_the_core_stands_on_its_own(): void
    {
        $found = [];
        $files = 0;
        foreach (UsedClasses::files('core') as $path => $code) {
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
