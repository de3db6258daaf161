<?php

declare(strict_types=1);

/*
 * Writes page.schema.json and plan.schema.json, which follow from the core: what a part, a rule, a trigger or a block may hold is said
 * by its class.
 *
 *   php docs/formats/make.php            writes them
 *   php docs/formats/make.php --check    says whether the files are as they would be written
 */

require __DIR__.'/../../vendor/autoload.php';

$differs = false;
foreach (['page', 'plan'] as $name) {
    $file = __DIR__."/{$name}.schema.json";
    $written = json_encode(require __DIR__."/{$name}.schema.php",
        JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n";
    if (! in_array('--check', $argv, true)) {
        file_put_contents($file, $written);
    } elseif (file_get_contents($file) === $written) {
        echo "{$name}.schema.json is as the core says.\n";
    } else {
        $differs = true;
        echo "{$name}.schema.json differs from the core; run php docs/formats/make.php\n";
    }
}
exit($differs ? 1 : 0);
