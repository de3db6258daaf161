<?php

declare(strict_types=1);

namespace App\Mail\Emails;

use App\Models\Message;
use App\Support\Homes;
use App\Support\Seal;
use App\Support\SealPurpose;
use App\Support\SiteAddress;
use Illuminate\Support\Facades\DB;

/**
 * Links in emails that know their reader. A link names the message and a row of `mail_links`, under a seal; where it
 * leads stands in that row alone, so that no link can be turned into one that leads elsewhere, and no address shows
 * who follows it.
 */
final class MailLinks
{
    private const LENGTH = 20;

    private const ANY = '~^(https?://|\{\{\s*[a-z])~i';

    /** A page of the funnel, of which a deadline may want to know who comes to it. */
    private const PAGE = '~^\{\{\s*page_~i';

    /** A body whose links go by way of us. What they led to is kept as it was written, merge fields and all. */
    public static function tracked(string $body, Message $message): string
    {
        return self::led($body, $message, self::ANY);
    }

    /** The same for the links to pages of ours alone. */
    public static function trackedToPages(string $body, Message $message): string
    {
        return self::led($body, $message, self::PAGE);
    }

    private static function led(string $body, Message $message, string $which): string
    {
        return (string) preg_replace_callback('~(<a\b[^>]*\bhref=")([^"]*)"~', function (array $m) use ($message, $which): string {
            $to = html_entity_decode($m[2], ENT_QUOTES | ENT_HTML5);

            return preg_match($which, $to) === 1
                ? $m[1].self::url($message, self::id($message->business_id, $to), $to).'"' : $m[0];
        }, $body);
    }

    private static function id(int $business, string $to): int
    {
        $row = ['business_id' => $business, 'url_hash' => hash('sha256', $to)];
        $found = DB::table('mail_links')->where($row)->value('id');
        if ($found === null) {
            DB::table('mail_links')->insertOrIgnore($row + ['url' => $to]);
            $found = DB::table('mail_links')->where($row)->value('id');
        }

        return (int) $found;
    }

    /** @param  string|null  $to  as it was written */
    public static function url(Message $message, int $link, ?string $to = null): string
    {
        return self::home($message, $to)->to("/l/{$message->id}/{$link}/".self::seal("link|{$message->id}|{$link}"));
    }

    public static function link(Message $message, string $path): string
    {
        return self::home($message)->to($path);
    }

    /**
     * The host on which its funnel stands, where its reader's browser is known.
     *
     * @param  string|null  $to  where it leads in the end: a page on another domain of ours knows them by a link of that domain
     */
    public static function home(Message $message, ?string $to = null): SiteAddress
    {
        $homes = app(Homes::class);
        $host = strtolower((string) parse_url($to ?? '', PHP_URL_HOST));

        return $host !== '' && $homes->isPrimary($host) ? SiteAddress::on($host, '')
            : $homes->business($message->business_id, $message->funnel_id);
    }

    public static function pixel(Message $message): string
    {
        return self::link($message, "/o/{$message->id}/".self::seal("open|{$message->id}").'.gif');
    }

    public static function holds(string $seal, string $of): bool
    {
        return Seal::holds(SealPurpose::Mail, $of, $seal, self::LENGTH);
    }

    public static function sealOf(string $what): string
    {
        return self::seal($what);
    }

    private static function seal(string $of): string
    {
        return Seal::of(SealPurpose::Mail, $of, self::LENGTH);
    }
}
