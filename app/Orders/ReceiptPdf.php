<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Receipt;
use DOMDocument;
use Dompdf\Dompdf;
use Dompdf\Options;
use DOMXPath;
use Illuminate\Support\Facades\View;
use Lantern\Core\Languages\VisualOrder;

/** A receipt as a PDF, drawn from what it says. */
final class ReceiptPdf
{
    public static function of(Receipt $receipt): string
    {
        $options = new Options;
        // It loads nothing from anywhere, and runs nothing.
        $options->setIsRemoteEnabled(false);
        $options->setIsPhpEnabled(false);
        $options->setDefaultFont('DejaVu Sans');
        $options->setTempDir(sys_get_temp_dir());
        $options->setFontCache(storage_path('framework/cache'));
        $pdf = new Dompdf($options);
        $pdf->setPaper('a4');
        $paper = new ReceiptPaper($receipt);
        $voice = $paper->voice();
        $html = View::make('pay.receipt', ['paper' => $paper, 'say' => $voice])->render();
        $pdf->loadHtml($voice->language()->isRightToLeft() ? self::mirrored($html) : $html, 'UTF-8');
        $pdf->render();

        return (string) $pdf->output();
    }

    /** The library knows one direction: what is read from right to left is handed to it in the order in which it is drawn. */
    private static function mirrored(string $html): string
    {
        $document = new DOMDocument;
        $document->loadHTML('<?xml encoding="UTF-8">'.$html, LIBXML_NOERROR | LIBXML_NOWARNING);
        $path = new DOMXPath($document);
        $texts = $path->query('//body//text()');
        foreach ($texts === false ? [] : $texts as $text) {
            $text->nodeValue = VisualOrder::of((string) $text->nodeValue);
        }
        foreach ($document->getElementsByTagName('tr') as $row) {
            foreach (array_reverse(iterator_to_array($row->childNodes)) as $cell) {
                $row->appendChild($cell);
            }
        }

        // What it does not know it would take for another place to begin.
        $document->documentElement?->removeAttribute('dir');

        return (string) $document->saveHTML($document->documentElement);
    }
}
