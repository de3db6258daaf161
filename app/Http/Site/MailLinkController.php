<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Deadlines\Joining;
use App\Guides\HandOver;
use App\Languages\Voices;
use App\Mail\Emails\CountdownPicture;
use App\Mail\Emails\EmailWriter;
use App\Mail\Emails\MailLinks;
use App\Mail\Sending\Feedback;
use App\Models\Message;
use App\Popups\LinksToSites;
use App\Records\DeadlineOwner;
use App\Records\Runs;
use App\Serving\AtHome;
use App\Serving\Browser;
use App\Serving\PlainPage;
use App\Support\Ids;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Lantern\Core\Deadlines\Deadline;
use Lantern\Core\Events\Trigger\EmailClicked;
use Lantern\Core\Page\Look\Looks;
use Lantern\Core\Results\Bots;
use Lantern\Core\Results\ClickedBy;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** The links and the picture in emails, through which an email tells that it was read. */
final readonly class MailLinkController
{
    /** A picture of one transparent dot, as GIF. */
    private const DOT = 'R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7';

    public function __construct(private Feedback $feedback, private EmailWriter $writer, private Joining $joining)
    {
    }

    public function follow(Request $request, string $message, string $link, string $seal): AnyResponse
    {
        [$found, $target, $written] = $this->target($message, $link, $seal);
        if ($found === null || $target === null) {
            return PlainPage::notHere()->response();
        }
        AtHome::orThere($request, MailLinks::home($found, $target));
        if (! $this->isReader($request)) {
            return $this->lead($request, $target);
        }

        // Whether it was a person matters where a time begins that will not begin again.
        return $this->begins($found) && $this->by($request, $found) !== ClickedBy::Person
            ? PlainPage::startsNow($request->url())->response() : $this->clicked($request, $found, $target, $written);
    }

    /** Somebody pressed the button that stood where it was not sure whether they are somebody. */
    public function confirm(Request $request, string $message, string $link, string $seal): AnyResponse
    {
        [$found, $target, $written] = $this->target($message, $link, $seal);

        return $found === null || $target === null ? PlainPage::notHere()->response()
            : (Browser::isOwner($request) || Bots::is($request->userAgent()) ? $this->lead($request, $target)
                : $this->clicked($request, $found, $target, $written));
    }

    /** @return array{Message|null, string|null, string} the message, where the link leads, and the same as it was written */
    private function target(string $message, string $link, string $seal): array
    {
        $found = MailLinks::holds($seal, "link|{$message}|{$link}") ? $this->message($message) : null;
        $template = $found === null ? null
            : DB::table('mail_links')->where('business_id', $found->business_id)->where('id', (int) $link)->value('url');

        $target = $found === null || ! is_string($template) ? null : $this->writer->target($found, $template);

        return [$found, $found === null || $target === null ? null : LinksToSites::marked($found->business_id, $target),
            is_string($template) ? $template : ''];
    }

    private function lead(Request $request, string $target): RedirectResponse
    {
        return redirect()->away($target, $request->isMethod('POST') ? 303 : 302)
            ->withHeaders(['Cache-Control' => 'private, no-store', 'Referrer-Policy' => 'no-referrer']);
    }

    private function clicked(Request $request, Message $found, string $target, string $written): RedirectResponse
    {
        $now = CarbonImmutable::now();
        $response = $this->lead($request, $target);
        if ($found->person === null) {
            $this->feedback->clicked($found, $target, $now);

            return $response;
        }
        // The page learns who came by the browser's own id, not by its address.
        $visitor = Browser::id($request) ?? str_replace('-', '', (string) Str::uuid());
        $zone = Browser::zone(SiteCookies::read($request, SiteCookie::Zone));
        if ($found->person->timezone === null && $zone !== null) {
            $found->person->forceFill(['timezone' => $zone])->save();
        }
        DB::transaction(function () use ($found, $visitor, $target, $written, $now): void {
            // What began in this browser began for them, before the click begins anything.
            $this->joining->join($visitor, (string) $found->person_id, $now);
            $this->feedback->clicked($found, $target, $now);
            HandOver::byLink($found, $written);
        });

        return $response->withCookie(SiteCookies::give(SiteCookie::Visitor, $visitor))
            ->withCookie(SiteCookies::give(SiteCookie::Reader, (string) $found->person_id));
    }

    /** Would a deadline begin by this click? */
    private function begins(Message $message): bool
    {
        $plan = $message->email_id === null || $message->person_id === null ? null : $message->funnel?->liveVersion?->plan();
        $now = CarbonImmutable::now();
        $click = new EmailClicked((string) $message->email_id);
        $deadlines = array_filter($plan->deadlines ?? [], fn (Deadline $d): bool => $d->starts->has($click));
        $runs = $deadlines === [] ? [] : Runs::of([DeadlineOwner::person((string) $message->person_id)->key,
            DeadlineOwner::everyone()->key], $now);

        return array_filter($deadlines, fn (Deadline $d): bool => $d->mayBegin($runs[$d->id] ?? null, $now)) !== [];
    }

    private function by(Request $request, Message $message): ClickedBy
    {
        $headers = array_map(fn (array $h): string => (string) ($h[0] ?? ''), $request->headers->all());
        $key = "links-of:{$message->id}";
        RateLimiter::hit($key, ClickedBy::AT_ONCE);

        return ClickedBy::of($request->method(), $headers,
            $message->sent_at === null ? null : (int) $message->sent_at->diffInSeconds(CarbonImmutable::now(), true),
            (int) RateLimiter::attempts($key));
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

    /** The countdown of an email, as it stands when the email is opened. It counts as no opening, and begins nothing. */
    public function countdown(string $message, string $deadline, string $seal): Response
    {
        $found = MailLinks::holds($seal, "countdown|{$message}|{$deadline}") ? $this->message($message) : null;
        $run = $found?->person_id === null ? null : Runs::ofPeople([$found->person_id], [$deadline],
            CarbonImmutable::now())[$found->person_id][$deadline] ?? null;
        $plan = $found?->funnel?->liveVersion?->plan();
        $headers = ['Content-Type' => 'image/gif', 'Cache-Control' => 'private, no-store, max-age=0', 'Expires' => '0'];
        if ($run === null) {
            return new Response((string) base64_decode(self::DOT, true), $found === null ? 404 : 200, $headers);
        }

        return new Response(CountdownPicture::of($plan?->look() ?? Looks::get(Looks::DEFAULT), $run->left(CarbonImmutable::now()),
            Voices::ofMessage($found)), 200, $headers);
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
