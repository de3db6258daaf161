<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/**
 * The environment is read in `config/` alone. Elsewhere it says nothing once settings are cached, and nothing before the file `.env` has
 * been read: proxies that it named were once believed by nobody.
 */
final class SettingsTest extends TestCase
{
    public function test_nothing_but_the_settings_asks_the_environment(): void
    {
        $root = dirname(__DIR__, 2);
        $found = [];
        foreach (Finder::create()->files()->in(["{$root}/app", "{$root}/core", "{$root}/bootstrap", "{$root}/routes", "{$root}/database",
            "{$root}/resources/views"])->notPath('cache')->name('*.php')->contains('/(?<![\w>:$])env\(/') as $file) {
            $found[] = $file->getPathname();
        }
        self::assertSame([], $found);
    }
}
