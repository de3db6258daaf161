<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;

/**
 * What is personal on a public page is filled from plain facts, so that a page can be answered by whatever has them: no slot takes a
 * request, a model or a facade, or asks the clock, and no view looks into the database.
 */
final class SlotsTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    /** @return array<string, string> files below some folders, by their path */
    private static function files(string ...$patterns): array
    {
        $files = [];
        foreach ($patterns as $pattern) {
            foreach (glob(self::ROOT."/{$pattern}") ?: [] as $file) {
                $files[substr($file, strlen(self::ROOT) + 1)] = (string) file_get_contents($file);
            }
        }

        return $files;
    }

    public function test_slots_and_what_they_are_told_know_no_request_no_model_no_facade_and_no_clock(): void
    {
        $files = self::files('app/Serving/Slots/*.php', 'app/Serving/Facts/*.php', 'app/Serving/VisitFacts.php');
        unset($files['app/Serving/Facts/LoadsFacts.php']);
        self::assertGreaterThan(34, count($files));
        foreach ($files as $file => $php) {
            self::assertSame(0, preg_match('/use (App\\\\Models\\\\|Illuminate\\\\(Http|Support\\\\Facades|Database)\\\\)|'
                .'\b(DB|View|Request|Crypt|Cookie)::|::query\(|::now\(|(?<![>:\w])(url|route|request|config|now|app)\(/', $php, $m),
                "{$file}: ".($m[0] ?? ''));
        }
    }

    public function test_no_view_looks_into_the_database_or_at_the_request(): void
    {
        $views = self::files('resources/views/*.php', 'resources/views/*/*.php', 'resources/views/*/*/*.php');
        self::assertGreaterThan(40, count($views));
        foreach ($views as $file => $blade) {
            self::assertSame(0, preg_match('/App\\\\Models\\\\|::query\(|\bDB::|->(get|first|exists|count|find|load)\(\)|\brequest\(/',
                $blade, $m),
                "{$file}: ".($m[0] ?? ''));
            preg_match_all('/\\\\App\\\\([A-Za-z\\\\]+)::/', $blade, $m);
            // What draws, what the practice cards are called, and a link that is worked out from what the view was given.
            self::assertSame([], array_values(array_filter($m[1], fn (string $class): bool => ! str_starts_with($class, 'Rendering\\')
                && ! in_array($class, ['Payments\\Practice\\Behaviour', 'Orders\\PayLinks'], true))), "{$file} asks the application");
        }
    }
}
