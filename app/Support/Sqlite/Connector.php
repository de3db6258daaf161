<?php

declare(strict_types=1);

namespace App\Support\Sqlite;

use Illuminate\Database\Connectors\SQLiteConnector;
use Lantern\Core\Languages\Names;
use PDO;
use SensitiveParameter;

/**
 * Opens SQLite so that transactions take the write lock when they begin ({@see ImmediatePdo}), `lower` knows all letters, and `folded`
 * forgets their marks.
 */
final class Connector extends SQLiteConnector
{
    /** @param  array<string, mixed>  $config */
    public function connect(array $config): PDO
    {
        $path = $config['database'] ?? null;
        if (($config['create'] ?? false) === true && is_string($path) && $path !== ':memory:' && ! is_file($path)) {
            // For its owner's eyes alone, like the database beside it.
            $before = umask(077);
            touch($path);
            umask($before);
        }

        return parent::connect($config);
    }

    /** @param  array<int, mixed>  $options */
    protected function createPdoConnection($dsn, $username, #[SensitiveParameter] $password, $options): PDO
    {
        $pdo = PHP_VERSION_ID < 80_400
            ? new ImmediatePdo($dsn, $username, $password, $options)
            : parent::createPdoConnection($dsn, $username, $password, $options);
        // SQLite's own knows the capitals of English alone; those of other database servers know all.
        $pdo->sqliteCreateFunction('lower', fn (mixed $text): ?string => $text === null ? null : mb_strtolower((string) $text), 1,
            PDO::SQLITE_DETERMINISTIC);

        $pdo->sqliteCreateFunction('folded', fn (mixed $text): ?string => $text === null ? null : Names::folded((string) $text), 1,
            PDO::SQLITE_DETERMINISTIC);

        // For short lists; those of people have their keys in a column.
        $pdo->sqliteCreateFunction('sort_key', fn (mixed $text, mixed $locale): string => Names::sortKey((string) $text,
            (string) $locale), 2,
            PDO::SQLITE_DETERMINISTIC);

        return $pdo;
    }
}
