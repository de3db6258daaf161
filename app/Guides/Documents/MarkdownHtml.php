<?php

declare(strict_types=1);

namespace App\Guides\Documents;

use Parsedown;

/** Markdown, or plain text, as HTML. What it may hold is decided afterwards: {@see HtmlPieces}. */
final class MarkdownHtml
{
    public static function of(string $markdown): string
    {
        $parser = new Parsedown;
        $parser->setSafeMode(true);
        $html = $parser->text($markdown);

        return is_string($html) ? $html : '';
    }
}
