<?php

declare(strict_types=1);

namespace App\Support\Sqlite;

use Illuminate\Database\Connectors\SQLiteConnector;
use PDO;
use SensitiveParameter;

/** Opens SQLite so that transactions take the write lock when they begin; see {@see ImmediatePdo}. */
final class Connector extends SQLiteConnector
{
    /** @param  array<int, mixed>  $options */
    protected function createPdoConnection($dsn, $username, #[SensitiveParameter] $password, $options): PDO
    {
        return PHP_VERSION_ID < 80_400
            ? new ImmediatePdo($dsn, $username, $password, $options)
            : parent::createPdoConnection($dsn, $username, $password, $options);
    }
}
