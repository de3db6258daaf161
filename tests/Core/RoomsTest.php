<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** The rule of direction: the core knows nothing of the application or its framework, and keeps no clock. */
final class RoomsTest extends TestCase
{
    public function test_the_core_stands_on_its_own(): void
    {
        $found = [];
        $files = 0;
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../../core', RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            assert($file instanceof SplFileInfo);
            $code = (string) file_get_contents($file->getPathname());
            $files++;
            preg_match_all('/(?:^|[^\\\\\w])\\\\?((?:Illuminate|App|Laravel|Carbon|Symfony|Database)\\\\\w[\w\\\\]*)/', $code, $m);
            // The clock, chance, the environment, the disk and the screen are the shell's.
            preg_match_all('/(?<![\w>:$])(time|microtime|date|now|rand|mt_rand|random_int|random_bytes|getenv|env|file_get_contents|file_put_contents|fopen|echo|header|DB|config)\s*\(/', $code, $calls);
            preg_match_all('/new \\\\?DateTime(?:Immutable)?(?:\(\)|;|\s*\))/', $code, $clocks);
            foreach ([...$m[1], ...$calls[0], ...$clocks[0]] as $what) {
                $found[] = $file->getFilename().': '.$what;
            }
            if (! str_contains($code, 'declare(strict_types=1);')) {
                $found[] = $file->getFilename().': no strict types';
            }
        }
        self::assertSame([], $found);
        self::assertGreaterThan(30, $files);
    }
}
