<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Forms\TakeSignup;
use App\Mail\Emails\EmailWriter;
use App\Mail\Emails\MailLinks;
use App\Mail\Sending\Feedback;
use App\Models\Message;
use App\Serving\Browser;
use App\Serving\PlainPage;
use App\Serving\Visit;
use App\Support\Ids;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Lantern\Core\Results\Bots;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** The links and the picture in emails, through which an email tells that it was read. */
final readonly class MailLinkController
{
    /** A picture of one transparent dot, as GIF. */
    private const DOT = 'R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7';

    public function __construct(private Feedback $feedback, private EmailWriter $writer)
    {
    }

    public function follow(Request $request, string $message, string $link, string $seal): AnyResponse
    {
        $found = MailLinks::holds($seal, "link|{$message}|{$link}") ? $this->message($message) : null;
        $template = $found === null ? null
            : DB::table('mail_links')->where('business_id', $found->business_id)->where('id', (int) $link)->value('url');
        $target = $found !== null && is_string($template) ? $this->writer->target($found, $template) : null;
        if ($found === null || $target === null) {
            return PlainPage::notHere()->response();
        }
        $response = redirect()->away($target)->withHeaders(['Cache-Control' => 'private, no-store', 'Referrer-Policy' => 'no-referrer']);
        if (! $this->isReader($request)) {
            return $response;
        }
        $now = CarbonImmutable::now();
        $this->feedback->clicked($found, $target, $now);
        if ($found->person_id !== null) {
            // The page learns who came by the browser's own id, not by its address.
            $visitor = Browser::id($request) ?? str_replace('-', '', (string) Str::uuid());
            DB::transaction(fn () => TakeSignup::join($visitor, (string) $found->person_id, $now));
            $response->withCookie(Cookie::make(Browser::COOKIE, $visitor, 60 * 24 * 365, '/', httpOnly: false, sameSite: 'lax'))
                ->withCookie(Cookie::make(Visit::READER, (string) $found->person_id, 60 * 24 * 30, '/', httpOnly: true, sameSite: 'lax'));
        }

        return $response;
    }

    public function open(Request $request, string $message, string $seal): Response
    {
        $found = MailLinks::holds($seal, "open|{$message}") ? $this->message($message) : null;
        if ($found !== null && $this->isReader($request)) {
            $this->feedback->opened($found, CarbonImmutable::now());
        }

        return new Response((string) base64_decode(self::DOT, true), 200,
            ['Content-Type' => 'image/gif', 'Cache-Control' => 'private, no-store']);
    }

    private function message(string $id): ?Message
    {
        return Ids::is($id) ? Message::query()->with(['person.business', 'business', 'funnel.liveVersion'])->where('id', $id)->first()
            : null;
    }

    /** Not the owner reading over a shoulder in the Studio's browser, nor a program that looks links over. */
    private function isReader(Request $request): bool
    {
        return $request->isMethod('GET') && ! Browser::isOwner($request) && ! Bots::is($request->userAgent());
    }
}
