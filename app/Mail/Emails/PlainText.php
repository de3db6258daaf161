<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use DOMDocument;
use DOMElement;
use DOMNode;

/** The plain text part of an email: the same words, links written out, lists with dashes, lines of 76 at most. */
final class PlainText
{
    public static function of(string $html): string
    {
        $document = new DOMDocument;
        @$document->loadHTML('<?xml encoding="UTF-8"><body>'.$html.'</body>', LIBXML_NONET | LIBXML_NOERROR);
        $body = $document->getElementsByTagName('body')->item(0);
        $text = $body === null ? '' : self::inside($body);
        $lines = array_map(
            fn (string $line): string => str_contains($line, '://') ? trim($line) : wordwrap(trim($line), 76),
            explode("\n", $text),
        );

        return trim((string) preg_replace("/\n{3,}/", "\n\n", implode("\n", $lines)));
    }

    private static function inside(DOMNode $node): string
    {
        $text = '';
        foreach ($node->childNodes as $child) {
            $text .= $child instanceof DOMElement ? self::element($child)
                : (string) preg_replace('/\s+/u', ' ', (string) $child->textContent);
        }

        return $text;
    }

    private static function element(DOMElement $element): string
    {
        $words = self::inside($element);

        return match ($element->tagName) {
            'br' => "\n",
            'p', 'h2', 'h3', 'ul', 'ol' => "\n\n".$words."\n\n",
            'li' => "\n- ".trim($words),
            'a' => $element->getAttribute('href') === '' || $element->getAttribute('href') === trim($words)
                ? $words : trim($words).":\n".$element->getAttribute('href'),
            default => $words,
        };
    }
}
