<?php

declare(strict_types=1);

namespace App\Orders;

use App\Models\Receipt;
use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Support\Facades\View;

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
        $pdf->loadHtml(View::make('pay.receipt', ['paper' => $paper, 'say' => $paper->voice()])->render(), 'UTF-8');
        $pdf->render();

        return (string) $pdf->output();
    }
}
