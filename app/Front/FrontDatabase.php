<?php

declare(strict_types=1);

namespace App\Front;

use PDO;
use RuntimeException;

/** The database, for reading: opened once by each process, since opening costs more than all that is asked. */
final class FrontDatabase
{
    /** Milliseconds that a reader waits; with a log that is written ahead it hardly ever has to. */
    private const WAIT = 2000;

    public static function open(string $file): PDO
    {
        $found = @stat($file);
        if ($found === false) {
            throw new RuntimeException('There is no database.');
        }

        // One that was put in its place, such as a backup, is another one.
        return new PDO("sqlite:{$file}", options: [PDO::ATTR_PERSISTENT => "front {$found['dev']} {$found['ino']}",
            PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::ATTR_TIMEOUT => intdiv(self::WAIT, 1000),
            PDO::SQLITE_ATTR_OPEN_FLAGS => PDO::SQLITE_OPEN_READWRITE]);
    }
}
