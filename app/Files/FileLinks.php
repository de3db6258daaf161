<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\Delivery;
use App\Support\Seal;
use App\Support\SealPurpose;
use App\Support\SiteAddress;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeInterface;
use Illuminate\Support\Facades\URL;
use Lantern\Core\Support\Validity;

/** Links to files, under a seal that covers path and expiry, not the host, so that they survive a move. */
final class FileLinks
{
    /** Hours for which a page's own link holds. */
    private const ON_PAGE = 24;

    /**
     * Of a filled-in form, on the page after it: whoever filled it in gets what it promises, whoever's address they typed.
     *
     * @param  SiteAddress  $site  of the page
     * @return string a path
     */
    public static function forSubmission(SiteAddress $site, string $submission, string $leadMagnet, string $fileName,
        DateTimeInterface $now): string
    {
        $until = $now->getTimestamp() + 3600 * self::ON_PAGE;

        return "{$site->prefix}/s/{$submission}/{$leadMagnet}/".rawurlencode($fileName)."?until={$until}&seal="
            .Seal::of(SealPurpose::File, self::sealed($submission, $leadMagnet, $fileName, $until));
    }

    public static function holds(string $submission, string $leadMagnet, string $fileName, mixed $until, mixed $seal,
        DateTimeImmutable $now): bool
    {
        return is_string($until) && preg_match('/^[0-9]{10}$/D', $until) === 1
            && Validity::until(new DateTimeImmutable("@{$until}"), $now)
            && Seal::holds(SealPurpose::File, self::sealed($submission, $leadMagnet, $fileName, (int) $until), $seal);
    }

    private static function sealed(string $submission, string $leadMagnet, string $fileName, int $until): string
    {
        return "{$submission}|{$leadMagnet}|{$until}|{$fileName}";
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
