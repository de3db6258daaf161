<?php

declare(strict_types=1);

namespace App\Support;

/** Text as HTML, written as the framework's `e()` writes it, for what is also drawn before the framework starts. */
final class Html
{
    public static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE, 'UTF-8');
    }
}
