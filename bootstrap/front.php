<?php

declare(strict_types=1);

use App\Front\Answer;
use App\Front\Front;
use App\Front\FrontSettings;

// The way to answer a published page before the framework starts. Our own classes are found by their names alone, and so are those of the
// one package that it takes to tell whether an email address is one.
return static function (): ?Answer {
    $root = dirname(__DIR__);
    $find = static function (string $class) use ($root): void {
        foreach (['App\\' => 'app', 'Lantern\\Core\\' => 'core', 'Egulias\\EmailValidator\\' => 'vendor/egulias/email-validator/src',
            'Doctrine\\Common\\Lexer\\' => 'vendor/doctrine/lexer/src'] as $prefix => $folder) {
            $file = "{$root}/{$folder}/".strtr(substr($class, strlen($prefix)), '\\', '/').'.php';
            if (str_starts_with($class, $prefix) && is_file($file)) {
                require $file;

                return;
            }
        }
    };
    spl_autoload_register($find);
    $answer = Front::answer($root, $_SERVER, $_COOKIE, FrontSettings::load($root), posted: $_POST);
    spl_autoload_unregister($find);

    return $answer;
};
