<?php

declare(strict_types=1);

namespace App\Serving;

use App\Languages\SiteLanguage;
use App\Languages\SiteVoice;
use App\Models\Funnel;
use App\Support\AnswerKind;
use Closure;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\View;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\Phrase;
use Lantern\Core\Offers\Availability;

/** A kind page for when there is nothing else to show: what happened, and what to do. It speaks the language of what was asked for. */
final readonly class PlainPage
{
    /**
     * @param  Phrase|string  $words  a string where they are no phrase: what the owner of this machine reads
     * @param  array<string, mixed>  $more
     */
    private function __construct(private int $status, private Phrase|string $title, private Phrase|string|Closure $words,
        private array $more = [])
    {
    }

    /**
     * @param  string  $key  of a page among the phrases, with a title and words
     * @param  array<string, string>  $values
     * @param  array<string, mixed>  $more
     */
    private static function of(int $status, string $key, array $values = [], array $more = []): self
    {
        return new self($status, Phrase::of("{$key}.title"), Phrase::of("{$key}.words", $values), $more);
    }

    public static function notHere(): self
    {
        return self::of(404, 'notice.not_here');
    }

    /** For whoever runs the application on their own machine. */
    public static function studioIsElsewhere(string $studio): self
    {
        return new self(404, 'The Studio is next door', 'This is where your visitors come: your pages have their addresses here, and there '
            .'is nothing at the address you opened. You work in the Studio.', ['links' => [$studio => 'Open the Studio']]);
    }

    public static function closed(): self
    {
        return self::of(410, 'notice.closed');
    }

    public static function notOpenYet(DateTimeImmutable $at, DateTimeZone $zone): self
    {
        return new self(200, Phrase::of('notice.not_open_yet.title'), fn (Language $language): Phrase => Phrase::of(
            'notice.not_open_yet.words', ['moment' => TimeWords::moment($at, $zone, $language->tag,
                new DateTimeImmutable($at->format('Y').'-01-01'))]));
    }

    public static function previewOver(): self
    {
        return self::of(403, 'notice.preview_over');
    }

    public static function tooMany(): self
    {
        return self::of(429, 'notice.too_many');
    }

    public static function tooManyPayments(): self
    {
        return self::of(429, 'notice.too_many_payments');
    }

    /** @param  string  $onward  where to go from here: the way in, or what there is now that the time has run out */
    public static function notForSale(Availability $availability, string $onward): self
    {
        return new self(409, $availability->heading(), $availability->sentence(),
            ['links' => [$onward => Phrase::of($availability === Availability::TimeRanOut ? 'notice.to.now' : 'notice.to.first_page')]]);
    }

    /** @param  string  $back  where another one can be chosen */
    public static function sessionGone(string $back): self
    {
        return self::of(409, 'notice.session_gone', [], ['links' => [$back => Phrase::of('notice.to.other_times')]]);
    }

    /** @param  string  $home  the way in */
    public static function timeIsUp(string $home): self
    {
        return self::of(410, 'notice.time_is_up', [], ['links' => [$home => Phrase::of('notice.to.first_page')]]);
    }

    /** In a frame on somebody's site, after joining there. */
    public static function goOn(string $to): self
    {
        return self::of(200, 'notice.go_on', [], ['out' => $to]);
    }

    /** Where it is not sure that a person follows the link: the time begins when they say so. */
    public static function startsNow(string $action): self
    {
        return self::of(200, 'notice.starts_now', [], ['goOn' => $action]);
    }

    /** A payment of which it is not known yet what becomes of it. */
    public static function payingNow(): self
    {
        return self::of(200, 'notice.paying_now', [], ['refresh' => 3]);
    }

    /** @param  string  $back  where it can be tried again */
    public static function notPaid(Phrase $why, string $back): self
    {
        return new self(200, Phrase::of('notice.not_paid.title'), $why, ['links' => [$back => Phrase::of('notice.to.again')]]);
    }

    public static function linkIsNotYours(): self
    {
        return self::of(404, 'notice.link_not_yours');
    }

    public static function accessPaused(): self
    {
        return self::of(403, 'notice.access_paused');
    }

    public static function accessEnded(): self
    {
        return self::of(403, 'notice.access_ended');
    }

    public static function forBuyers(string $home): self
    {
        return self::of(403, 'notice.for_buyers', [], ['links' => [$home => Phrase::of('notice.to.first_page')]]);
    }

    public static function linkOver(?string $delivery): self
    {
        return self::of(403, 'notice.link_over', [], ['askForLink' => true, 'delivery' => $delivery]);
    }

    public static function linkOnItsWay(): self
    {
        return self::of(200, 'notice.link_on_its_way');
    }

    public static function badAddress(string $typed, Phrase $why): self
    {
        return self::of(422, 'notice.link_over', [], ['askForLink' => true, 'delivery' => null, 'typed' => $typed, 'error' => $why]);
    }

    public static function fileGone(): self
    {
        return self::of(404, 'notice.file_gone');
    }

    /** @param  array<string, Phrase>  $less  what one may choose instead of leaving altogether, by the value that is sent */
    public static function unsubscribe(string $action, string $business, array $less = []): self
    {
        return new self(200, Phrase::of('notice.leave.title'),
            Phrase::of($less === [] ? 'notice.leave.words' : 'notice.leave.less', ['business' => $business]),
            ['confirm' => $action, 'less' => $less]);
    }

    public static function unsubscribed(string $business, string $back): self
    {
        return self::of(200, 'notice.left', ['business' => $business], ['back' => $back]);
    }

    public static function lessOften(string $business, string $back): self
    {
        return self::of(200, 'notice.less_often', ['business' => $business], ['back' => $back]);
    }

    public static function quiet(string $business, string $back): self
    {
        return self::of(200, 'notice.quiet', ['business' => $business], ['back' => $back]);
    }

    public static function subscribedAgain(string $business): self
    {
        return self::of(200, 'notice.subscribed_again', ['business' => $business]);
    }

    /** @param  string|null  $language  of what it is about, and of which funnel; null for those of the request */
    public function response(?string $language = null, ?Funnel $funnel = null): Response
    {
        $site = app(SiteLanguage::class);
        $voice = $language === null || $funnel === null ? $site->voice() : $site->ofFunnel($language, $funnel);
        $html = View::make('site.notice', ['say' => $voice, 'title' => self::said($this->title, $voice),
            'words' => self::said($this->words, $voice),
            'more' => array_map(fn (mixed $m): mixed => is_array($m) ? array_map(fn (mixed $v): mixed => self::said($v, $voice), $m)
                : self::said($m, $voice), $this->more)])->render();

        return new Response($html, $this->status,
            AnswerKind::Page->headers() + ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }

    private static function said(mixed $what, SiteVoice $voice): mixed
    {
        $what = $what instanceof Closure ? $what($voice->language()) : $what;

        return $what instanceof Phrase ? $voice->say($what) : $what;
    }
}
