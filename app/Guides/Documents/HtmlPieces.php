<?php

declare(strict_types=1);

namespace App\Guides\Documents;

use App\Support\RichText;
use DOMElement;
use DOMNode;
use Lantern\Core\Guides\Piece;
use Masterminds\HTML5;

/** The headings, paragraphs and lists of an HTML document, in order. Pictures, scripts and styles are left out; tables are read by rows. */
final class HtmlPieces
{
    private const SKIPPED = ['script', 'style', 'template', 'noscript', 'head', 'title', 'svg', 'math', 'iframe', 'object', 'img', 'video',
        'audio', 'form', 'button', 'input', 'select', 'textarea'];

    private const INLINE = ['a', 'abbr', 'b', 'br', 'cite', 'code', 'em', 'font', 'i', 'label', 'mark', 'q', 's', 'small', 'span', 'strong',
        'sub', 'sup', 'u', 'time', 'wbr', 'del', 'ins', 'kbd', 'var', 'samp', 'bdi', 'bdo'];

    /** How deep elements may stand in one another before no more is looked for. */
    private const DEEPEST = 120;

    /** A box before a thing that is to be ticked off. */
    private const BOX = '/^\s*(?:\[[ xX]?\]|[☐☑☒□▢✓✔])\s*/u';

    /** @var list<Piece> */
    private array $pieces = [];

    private string $open = '';

    private function __construct(private readonly HTML5 $parser)
    {
    }

    /** @return list<Piece> */
    public static function of(string $html): array
    {
        $parser = new HTML5(['disable_html_ns' => true]);
        $read = new self($parser);
        $read->children($parser->loadHTML($html), 0);
        $read->close();

        return $read->pieces;
    }

    private function children(DOMNode $node, int $depth): void
    {
        foreach ($node->childNodes as $child) {
            if ($child instanceof DOMElement) {
                $this->element($child, $depth + 1);
            } elseif ($child->nodeType === XML_TEXT_NODE) {
                $this->open .= htmlspecialchars((string) $child->nodeValue, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
            }
        }
    }

    private function element(DOMElement $element, int $depth): void
    {
        $name = strtolower($element->nodeName);
        if (in_array($name, self::SKIPPED, true)) {
            return;
        }
        if ($depth > self::DEEPEST) {
            $this->open .= ' '.htmlspecialchars($element->textContent, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5).' ';
        } elseif (in_array($name, self::INLINE, true)) {
            $this->open .= $this->parser->saveHTML($element);
        } elseif (preg_match('/^h([1-6])$/', $name, $m) === 1) {
            $this->close();
            $words = RichText::line($element->textContent);
            $this->pieces[] = Piece::heading((int) $m[1], $words);
            if ($words === '') {
                array_pop($this->pieces);
            }
        } elseif ($name === 'ul' || $name === 'ol') {
            $this->close();
            $this->list($element);
        } elseif ($name === 'tr') {
            $cells = array_filter(array_map(fn (DOMNode $c): string => RichText::line($c->textContent),
                iterator_to_array($element->childNodes, false)), fn (string $t): bool => $t !== '');
            $this->paragraph(htmlspecialchars(implode(' · ', $cells), ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5));
        } else {
            $this->close();
            $this->children($element, $depth);
            $this->close();
        }
    }

    private function list(DOMElement $list): void
    {
        $items = [];
        foreach ($list->childNodes as $item) {
            if ($item instanceof DOMElement && trim($item->textContent) !== '') {
                $items[] = $item;
            }
        }
        $texts = array_map(fn (DOMElement $i): string => RichText::line($i->textContent), $items);
        if ($texts !== [] && array_filter($texts, fn (string $t): bool => preg_match(self::BOX, $t) !== 1) === []) {
            $this->pieces[] = Piece::ticks(array_values(array_filter(array_map(
                fn (string $t): string => (string) preg_replace(self::BOX, '', $t), $texts), fn (string $t): bool => $t !== '')));

            return;
        }
        // Item by item, so that a long list goes on over several blocks.
        foreach (array_chunk($items, 40) as $some) {
            $html = implode('', array_map(fn (DOMElement $i): string => '<li>'.$this->inner($i).'</li>', $some));
            $clean = RichText::words("<{$list->nodeName}>{$html}</{$list->nodeName}>")->html;
            $this->pieces[] = Piece::text($clean);
        }
    }

    private function inner(DOMElement $element): string
    {
        $html = '';
        foreach ($element->childNodes as $child) {
            $html .= $this->parser->saveHTML($child);
        }

        return $html;
    }

    private function paragraph(string $html): void
    {
        $this->open .= $html;
        $this->close();
    }

    private function close(): void
    {
        $clean = trim(RichText::words(trim($this->open))->html);
        $this->open = '';
        if (trim(strip_tags($clean)) !== '') {
            $this->pieces[] = Piece::text("<p>{$clean}</p>");
        }
    }
}
