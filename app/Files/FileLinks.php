<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Delivery;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\URL;

/** Signed links to a delivery. The signature covers path and expiry, not the host, so that they survive a move. */
final class FileLinks
{
    /** Of a filled-in form, on the page after it: whoever filled it in gets what it promises, whoever's address they typed. */
    public static function forSubmission(string $submission, string $leadMagnet, string $fileName): string
    {
        $until = CarbonImmutable::now()->addHours((int) config('lantern.links.page_hours'));

        return URL::temporarySignedRoute('site.file.page', $until, ['submission' => $submission, 'leadMagnet' => $leadMagnet,
            'name' => $fileName], absolute: false);
    }

    /** @param  CarbonImmutable  $sent  when the email went out, from which on the link works for a while */
    public static function forEmail(Delivery $delivery, string $fileName, CarbonImmutable $sent): string
    {
        return $delivery->funnel->site()->to(self::link($delivery, $fileName,
            $sent->addDays((int) config('lantern.links.email_days'))));
    }

    private static function link(Delivery $delivery, string $fileName, CarbonImmutable $until): string
    {
        return URL::temporarySignedRoute('site.file', $until, ['delivery' => $delivery->id, 'name' => $fileName], absolute: false);
    }
}
