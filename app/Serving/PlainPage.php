<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\AnswerKind;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Offers\Availability;

/** A kind page for when there is nothing else to show: what happened, and what to do. */
final readonly class PlainPage
{
    /** @param  array<string, mixed>  $more */
    private function __construct(private int $status, private string $title, private string $words, private array $more = [])
    {
    }

    public static function notHere(): self
    {
        return new self(404, 'There is no page at this address',
            'Please check the link for a typing mistake, or ask whoever gave it to you.');
    }

    /** For whoever runs the application on their own machine. */
    public static function studioIsElsewhere(string $studio): self
    {
        return new self(404, 'The Studio is next door', 'This is where your visitors come: your pages have their addresses here, and there '
            .'is nothing at the address you opened. You work in the Studio.', ['links' => [$studio => 'Open the Studio']]);
    }

    public static function closed(): self
    {
        return new self(410, 'This offer is closed for now',
            'Thank you for coming by. Sign-ups are closed at the moment, and nothing was stored.');
    }

    public static function notOpenYet(DateTimeImmutable $at, DateTimeZone $zone): self
    {
        return new self(200, 'Not open yet', 'Thank you for coming by. It opens on '.TimeWords::moment($at, $zone, 'en',
            new DateTimeImmutable($at->format('Y').'-01-01')).'.');
    }

    public static function previewOver(): self
    {
        return new self(403, 'This preview has ended', 'Links to a preview work for two weeks. Ask whoever sent it to you for a new one.');
    }

    public static function tooMany(): self
    {
        return new self(429, 'One moment, please',
            'There were a great many sign-ups from your connection in the last few minutes. Nothing is wrong with yours: please go back '
                .'and press the button again in ten minutes.');
    }

    public static function tooManyPayments(): self
    {
        return new self(429, 'One moment, please', 'There were a great many tries to pay from your connection in the last few minutes. '
            .'Nothing has been charged by this one: please go back and press the button again in ten minutes.');
    }

    /** @param  string  $onward  where to go from here: the way in, or what there is now that the time has run out */
    public static function notForSale(Availability $availability, string $onward): self
    {
        return new self(409, $availability->heading(), $availability->sentence(),
            ['links' => [$onward => $availability === Availability::TimeRanOut ? 'See what there is now' : 'To the first page']]);
    }

    /** @param  string  $back  where another one can be chosen */
    public static function sessionGone(string $back): self
    {
        return new self(409, 'This time cannot be chosen any more', 'It has begun, is over, or was cancelled meanwhile. The time you '
            .'had before '
            .'is still yours.', ['links' => [$back => 'See the other times']]);
    }

    /** @param  string  $home  the way in */
    public static function timeIsUp(string $home): self
    {
        return new self(410, 'The time for this has run out', 'What stood here was open to you for a limited time, and that is over.',
            ['links' => [$home => 'To the first page']]);
    }

    /** In a frame on somebody's site, after joining there. */
    public static function goOn(string $to): self
    {
        return new self(200, 'Thank you', 'You are in. What you asked for is on its way.', ['out' => $to]);
    }

    /** Where it is not sure that a person follows the link: the time begins when they say so. */
    public static function startsNow(string $action): self
    {
        return new self(200, 'Your time starts when you go on', 'What this link leads to is open to you for a limited time. It starts when '
            .'you press the button, and not before, so that no program that looks your emails over can start it for you.',
            ['goOn' => $action]);
    }

    /** A payment of which it is not known yet what becomes of it. */
    public static function payingNow(): self
    {
        return new self(200, 'One moment: your payment is on its way',
            'Your bank has not told us yet. This page looks again by itself every '
            .'few seconds, and leads you on. You can close it, too: the receipt comes to your inbox, and nothing is charged twice.',
            ['refresh' => 3]);
    }

    /** @param  string  $back  where it can be tried again */
    public static function notPaid(string $why, string $back): self
    {
        return new self(200, 'The payment did not go through', $why, ['links' => [$back => 'Try again']]);
    }

    public static function linkIsNotYours(): self
    {
        return new self(404, 'This link opens nothing', 'Please open it again from your receipt: the link there is whole.');
    }

    public static function accessPaused(): self
    {
        return new self(403, 'Access is paused', 'A payment for this is open. As soon as it is paid, everything opens again. The link in '
            .'your receipt, and in the email about the payment, leads to where you can see to it.');
    }

    public static function accessEnded(): self
    {
        return new self(403, 'This is not open to you any more', 'Access ended, such as after a refund. Please write to whoever sold it to '
            .'you if that is a mistake.');
    }

    public static function forBuyers(string $home): self
    {
        return new self(403, 'This page is for those who bought it', 'Please open it by the link in your receipt. It knows that it is you.',
            ['links' => [$home => 'To the first page']]);
    }

    public static function linkOver(?string $delivery): self
    {
        return new self(403, 'This download link has run out',
            'Links to downloads work for a while only. Tell us your email address, and a new one comes to your inbox.',
            ['askForLink' => true, 'delivery' => $delivery]);
    }

    public static function linkOnItsWay(): self
    {
        return new self(200, 'Please look in your inbox',
            'If this address is with us, a new link is on its way and will be there in a minute or two.');
    }

    public static function badAddress(string $typed, string $why): self
    {
        return new self(422, 'This download link has run out', 'Tell us your email address, and a new link comes to your inbox.',
            ['askForLink' => true, 'delivery' => null, 'typed' => $typed, 'error' => $why]);
    }

    public static function fileGone(): self
    {
        return new self(404, 'This file is no longer given away', 'The download was taken back by the person who offered it.');
    }

    /** @param  array<string, string>  $less  what one may choose instead of leaving altogether, by the value that is sent */
    public static function unsubscribe(string $action, string $business, array $less = []): self
    {
        return new self(200, 'Unsubscribe?', $less === [] ? "You will get no more emails from {$business}."
            : "Would less be enough, or shall {$business} write to you no more at all?",
            ['confirm' => $action, 'less' => $less]);
    }

    public static function unsubscribed(string $business, string $back): self
    {
        return new self(200, 'You are unsubscribed', "You will get no more emails from {$business}. Thank you for having read them.",
            ['back' => $back]);
    }

    public static function lessOften(string $business, string $back): self
    {
        return new self(200, 'You will get less', "{$business} sends you no more emails of this kind.", ['back' => $back]);
    }

    public static function quiet(string $business, string $back): self
    {
        return new self(200, 'A month of quiet', "{$business} writes to you again in thirty days, and not before.", ['back' => $back]);
    }

    public static function subscribedAgain(string $business): self
    {
        return new self(200, 'As it was', "You get the emails from {$business} again.");
    }

    public function response(): Response
    {
        return new Response(View::make('site.notice', ['title' => $this->title, 'words' => $this->words, 'more' => $this->more])->render(),
            $this->status,
            AnswerKind::Page->headers() + ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }
}
