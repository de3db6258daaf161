<?php

declare(strict_types=1);

namespace App\Front;

use Throwable;

/**
 * The settings that an answer before the framework needs. The framework writes them down as PHP, in a file that is named for what they
 * were read from: once a setting, a compiled script or the release changes, another file is asked for, and until there is one the
 * framework answers. No file is ever changed.
 */
final readonly class FrontSettings
{
    /**
     * Files whose change may change a setting, or the release: two of them say the revision of what is written. Where settings are
     * cached elsewhere, the environment names the file.
     */
    private const FILES = ['app/Front/Front.php', 'app/Rendering/PageRenderer.php', '.env', 'bootstrap/cache/config.php',
        'config/app.php', 'config/lantern.php', 'config/database.php',
        'public/build/manifest.json', 'public/build/popup-manifest.json'];

    private const NAMES = ['APP_ENV', 'APP_KEY', 'APP_URL', 'STUDIO_URL', 'SITE_URL', 'DB_CONNECTION', 'DB_DATABASE', 'TRUSTED_PROXIES',
        'LANTERN_FRONT', 'LANTERN_LEAST_SECONDS', 'LANTERN_SIGNUPS_PER_ADDRESS', 'APP_CONFIG_CACHE'];

    /** What forms must keep to, by the framework's names. */
    public const SIGNUPS = ['lantern.signups.least_seconds', 'lantern.signups.token_seconds', 'lantern.signups.per_address'];

    /**
     * @param  string  $key  under which is sealed
     * @param  string  $database  path of the file
     * @param  list<string>  $proxies  that are believed
     * @param  int  $drawnBy  the revision of the renderer whose pages are answered
     * @param  string  $stamp  of release and settings: what was written for another one is not answered
     * @param  array<string, string>  $signups  {@see SIGNUPS}
     */
    public function __construct(
        public bool $on,
        public string $key,
        public string $studio,
        public string $site,
        public string $database,
        public array $proxies,
        public string $stamp,
        public int $drawnBy,
        public array $signups = [],
    ) {
    }

    /** @return self|null null where nobody has written them down yet */
    public static function load(string $root): ?self
    {
        $file = self::file($root);
        try {
            $read = is_file($file) ? include $file : null;
        } catch (Throwable) {
            // Half a file, from a disk that was full. The framework writes another one.
            return null;
        }
        if (! is_array($read) || ($read['whole'] ?? false) !== true) {
            return null;
        }

        /**
         * @var array{on: bool, key: string, studio: string, site: string, database: string, proxies: list<string>,
         *     signups: array<string, string>, stamp: string, drawnBy: int} $read
         */
        return new self($read['on'], $read['key'], $read['studio'], $read['site'], $read['database'], $read['proxies'], $read['stamp'],
            $read['drawnBy'], $read['signups']);
    }

    /** Written for its owner's eyes alone, since the key is in it; whole or not at all. Safe to do at the same time as others. */
    public function write(string $root): void
    {
        $file = self::file($root);
        $before = umask(077);
        try {
            if (! is_dir(dirname($file)) && ! @mkdir(dirname($file), recursive: true) && ! is_dir(dirname($file))) {
                return;
            }
            $new = $file.'.'.bin2hex(random_bytes(6));
            $php = "<?php\n\nreturn ".var_export(['on' => $this->on, 'key' => $this->key, 'studio' => $this->studio, 'site' => $this->site,
                'database' => $this->database, 'proxies' => $this->proxies, 'stamp' => $this->stamp, 'drawnBy' => $this->drawnBy,
                'signups' => $this->signups, 'whole' => true], true).";\n";
            // On a full disk there is none, and the framework goes on answering.
            if (@file_put_contents($new, $php) === strlen($php)) {
                rename($new, $file);
            } else {
                @unlink($new);
            }
        } finally {
            umask($before);
        }
        foreach (glob(dirname($file).'/*.php*') ?: [] as $other) {
            if ($other !== $file && (int) @filemtime($other) < time() - 86_400) {
                @unlink($other);
            }
        }
    }

    /** @return array<string, mixed> by the framework's names */
    public function asSettings(): array
    {
        return ['app.key' => $this->key, 'lantern.studio_url' => $this->studio, 'lantern.site_url' => $this->site] + $this->signups;
    }

    /** A short name of the database. */
    public function ofDatabase(): string
    {
        return substr(hash('xxh128', $this->database), 0, 12);
    }

    public static function file(string $root): string
    {
        $read = [];
        foreach (self::NAMES as $name) {
            $read[] = (string) getenv($name);
        }
        $cached = (string) getenv('APP_CONFIG_CACHE');
        foreach ([...self::FILES, ...($cached === '' ? [] : [$cached])] as $file) {
            $path = str_starts_with($file, '/') ? $file : "{$root}/{$file}";
            $found = @stat($path);
            $read[] = $found === false ? '' : "{$found['mtime']} {$found['size']} {$found['ino']}";
        }

        return "{$root}/storage/framework/front/".hash('xxh128', implode("\n", $read)).'.php';
    }
}
