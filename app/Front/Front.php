<?php

declare(strict_types=1);

namespace App\Front;

use App\Languages\PhraseFiles;
use App\Languages\SiteVoice;
use App\Serving\Browser;
use App\Serving\PageDeadlines;
use App\Serving\PageHeaders;
use App\Serving\VisitFacts;
use App\Support\Homes;
use App\Support\Hosts;
use App\Support\Setting;
use App\Support\SiteAddress;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use DateTimeImmutable;
use DateTimeZone;
use Lantern\Core\Deadlines\DeadlineStates;
use Lantern\Core\Deadlines\TimeWords;
use Lantern\Core\Domains\HostRole;
use Lantern\Core\Experiments\LetterChoice;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Languages\Language;
use Lantern\Core\Languages\OwnPhrases;
use Lantern\Core\Plan\FunnelState;
use Lantern\Core\Plan\WebAddress;
use Lantern\Core\Visits\Opening;
use Lantern\Core\Visits\Openness;
use Lantern\Core\Visits\PageAct;
use Lantern\Core\Visits\PageChoice;
use Lantern\Core\Visits\PageRequest;
use Lantern\Core\Visits\Seeing;
use Lantern\Core\Visits\SitePage;
use PDO;
use Throwable;

/**
 * Answers a published page before the framework starts, as the framework would: by the same functions of the core, the same slots, the
 * same headers. Nothing means: go on to the framework. So does whatever begins something, whoever is known by more than a cookie, and
 * every fault.
 *
 * @phpstan-type LiveRow array{id: string, business_id: int|string, state: string, opens_at: string|null, closes_at: string|null,
 *     timezone: string, stamp: string|null, place: string|null, written: string|null, drawn_by: int, own: string|null,
 *     house: string|null, front: string|null, version: string}
 */
final class Front
{
    /** Goes up when what is written of a page changes its form. */
    public const REVISION = 4;

    /** Why the last look failed, where it did: the framework reports it once it is there. */
    public static ?Throwable $fault = null;

    private function __construct(private readonly FrontSettings $settings, private readonly PDO $pdo, private readonly string $phrases,
        private readonly DateTimeImmutable $now)
    {
    }

    /**
     * @param  string  $root  the application's folder
     * @param  array<array-key, mixed>  $server  as PHP has it
     * @param  array<array-key, mixed>  $cookies
     * @param  PDO|null  $pdo  the database, where it is open already
     * @param  array<array-key, mixed>  $posted  what was sent, as PHP has it
     */
    public static function answer(string $root, array $server, array $cookies, ?FrontSettings $settings, ?PDO $pdo = null,
        ?DateTimeImmutable $now = null, array $posted = []): ?Answer
    {
        if ($settings === null || ! $settings->on || is_file("{$root}/storage/framework/down")) {
            return null;
        }
        Setting::give($settings->asSettings());
        try {
            $database = function () use (&$pdo, $settings): PDO {
                return $pdo ??= FrontDatabase::open($settings->database);
            };
            $now ??= new DateTimeImmutable('now', new DateTimeZone('UTC'));
            $view = Ask::report($server, $cookies, $settings->proxies, $database, [FrontViews::VIEW, FrontViews::DEED]);
            $ask = $view ?? Ask::of($server, $cookies, $settings->proxies, $database);
            // What is its owner's is nobody else's to answer.
            if ($ask === null || $ask->has(SiteCookie::Owner)) {
                return null;
            }
            if ($view !== null) {
                return (new FrontViews($database(), $now, $settings->ofDatabase()))->take($view, $posted);
            }
            $front = new self($settings, $database(), "{$root}/lang", $now);

            return $ask->method === 'POST' ? $front->form($ask, $posted) : $front->page($ask);
        } catch (GoOn) {
            return null;
        } catch (Throwable $e) {
            self::$fault = $e;

            return null;
        } finally {
            Setting::give(null);
        }
    }

    private function page(Ask $ask): ?Answer
    {
        $row = $this->row($ask->funnel, 'address', $ask->page, '');
        if ($row === null) {
            return $this->notHere($ask);
        }
        [$home, $page] = $this->live($row, $ask) ?? [null, null];
        if ($home === null || $page === null) {
            return null;
        }
        $facts = new FrontFacts($this->pdo, $ask, $row['id'], $this->now);
        $opening = self::opening($row);
        $deadlines = PageDeadlines::fromArray($page->deadlines);
        $identity = $deadlines === null ? null : $facts->identity(new DateTimeZone($row['timezone']));
        $states = $deadlines === null || $identity === null ? null : $facts->states($deadlines->deadlines, $identity);
        $chosen = $opening->at($this->now) !== Openness::Open ? null : PageChoice::of(new PageRequest($opening,
            new SitePage($page->page, $page->role), guards: $deadlines?->guards, states: $states->states ?? []), $this->now);
        if ($chosen?->page !== $page->page || ($deadlines !== null && $this->begins($ask, $deadlines, $states))) {
            return null;
        }
        $newVisitor = null;
        $isTheirs = $deadlines !== null || $page->splitTest !== null;
        if ($page->splitTest !== null) {
            [$letter, $newVisitor] = $this->letter($page->splitTest, $facts, $facts->visitor(), Seeing::isByAPerson($ask->method,
                $ask->userAgent, $ask->purpose));
            $page = $letter === SplitTest::ORIGINAL ? $page : $this->variant($ask, $page, $letter, $home);
        }

        return $page === null ? null : $this->answerOf($page, $ask, $opening, fn (): VisitFacts => new VisitFacts(
            $home, $page->page, $ask->page, false, $ask->query, $ask->queryString, null,
            $ask->kept(SiteCookie::Zone), $this->now, Hosts::areSeparate(),
            new SiteVoice(Language::of($page->language), new PhraseFiles($this->phrases), OwnPhrases::of($page->phrases)->for(
                Language::of($page->language))),
            deadlines: $deadlines, states: $states, identity: $identity, loaded: $facts->for(FrontSlots::needs($page->pieces))),
            $isTheirs, $newVisitor);
    }

    /**
     * A form that was sent from a page of which no deadline decides.
     *
     * @param  array<array-key, mixed>  $posted  hostile
     *
     * @throws GoOn for all that is no form filled in rightly
     */
    private function form(Ask $ask, array $posted): ?Answer
    {
        $row = $posted === [] ? null : $this->row($ask->funnel, 'address', $ask->page, '');
        [$home, $page] = ($row === null ? null : $this->live($row, $ask)) ?? [null, null];
        if ($row === null || $home === null || $page === null || $page->deadlines !== null) {
            return null;
        }
        $opening = self::opening($row);
        $chosen = $opening->at($this->now) !== Openness::Open ? null : PageChoice::of(new PageRequest($opening,
            new SitePage($page->page, $page->role), act: PageAct::Form), $this->now);
        $visitor = Browser::idOf($posted['visitor'] ?? null, $ask->kept(SiteCookie::Visitor));
        $letter = '';
        if ($page->splitTest !== null && $visitor !== null) {
            // Whoever sends a form is somebody who was shown the page.
            [$letter] = $this->letter($page->splitTest, new FrontFacts($this->pdo, $ask, $row['id'], $this->now), $visitor, true);
        }
        $shown = $letter === '' || $letter === SplitTest::ORIGINAL ? $page : $this->variant($ask, $page, $letter, $home);

        return $chosen?->page !== $page->page || $shown === null || ($page->splitTest !== null && $visitor === null) ? null
            : (new FrontSignups($this->pdo, $this->now, $this->settings->ofDatabase()))->take($ask, $posted, $shown, $row['id'],
                $row['version'], $shown === $page ? '' : $letter, $home, $visitor);
    }

    /**
     * @param  callable(): VisitFacts  $visit
     * @param  bool  $isTheirs  does a deadline or a split test make it this visitor's alone?
     */
    private function answerOf(FrontPage $page, Ask $ask, Opening $opening, callable $visit, bool $isTheirs, ?string $newVisitor): Answer
    {
        $shared = $page->tag !== null && ! $isTheirs;
        $headers = $page->headers + ($shared ? PageHeaders::shared((string) $page->tag, $opening->sharedFor($this->now))
            : ['Cache-Control' => $isTheirs ? PageHeaders::NOT_KEPT : PageHeaders::PERSONAL])
            + ($ask->secure ? ['Strict-Transport-Security' => PageHeaders::STRICT_TRANSPORT] : []);
        if ($shared && PageHeaders::isKnown((string) $page->tag, $ask->ifNoneMatch)) {
            unset($headers['Content-Type']);

            return new Answer(304, $headers, '');
        }
        if ($page->spelled !== []) {
            TimeWords::recall($page->spelled);
        }
        $packed = PageHeaders::takesPacked($ask->encodings);
        $visit = $page->pieces->hasSlots() ? $visit() : null;
        $body = $page->pieces->filled(fn (string $kind, string $of, array $noted, string $fallback): string => $visit === null ? ''
            : FrontSlots::slot($kind)->fill($of, $noted, $fallback, $visit), $packed);

        return new Answer(200, $headers + ($packed ? ['Content-Encoding' => 'gzip'] : []), $ask->method === 'HEAD' ? '' : $body,
            $newVisitor === null ? [] : [SiteCookies::line(SiteCookie::Visitor, $newVisitor, $this->now)]);
    }

    /** Does a deadline begin by this view? Then its view is recorded before the page is drawn, which is the framework's. */
    private function begins(Ask $ask, PageDeadlines $deadlines, ?DeadlineStates $states): bool
    {
        return Seeing::isByAPerson($ask->method, $ask->userAgent, $ask->purpose) && $deadlines->mayBegin($states, $this->now) !== [];
    }

    /**
     * @param  array{test: string, weights: array<string, int>}  $test
     * @return array{string, string|null} the letter, and the id of a browser that had none
     */
    private function letter(array $test, FrontFacts $facts, ?string $known, bool $isByAPerson): array
    {
        $experiment = $facts->experiment($test['test']);
        $forAll = LetterChoice::of($experiment !== null && $experiment['ended_at'] === null, $experiment['winner'] ?? null, false, null,
            $isByAPerson);
        if ($forAll !== null) {
            return [$forAll, null];
        }
        $visitor = $known ?? bin2hex(random_bytes(16));

        return [$facts->letter($test['test'], $test['weights'], $visitor, $known === null), $known === null ? $visitor : null];
    }

    private function variant(Ask $ask, FrontPage $page, string $letter, SiteAddress $home): ?FrontPage
    {
        $row = $this->row($ask->funnel, 'page_id', $page->page, $letter);

        return $row === null ? null : $this->written($row, $home);
    }

    /**
     * What is live at an address, and what is written of it: one look at the database.
     *
     * @param  'address'|'page_id'  $column
     * @return LiveRow|null
     */
    private function row(string $funnel, string $column, string $value, string $variant): ?array
    {
        $query = $this->pdo->prepare('select f.id, f.business_id, f.state, f.opens_at, f.closes_at, b.timezone, w.stamp, w.place, '
            .'w.written, p.drawn_by, o.name as own, h.name as house, h.funnel_id as front, p.version_id as version from funnels f '
            .'join businesses b on b.id = f.business_id join published_pages p '
            ."on p.version_id = f.live_version_id and p.{$column} = ? and p.variant = ? "
            .'left join page_fronts w on w.page = p.id '
            ."left join domains o on o.primary_of = 'funnel:' || f.id left join domains h on h.primary_of = "
            ."'business:' || f.business_id where f.address = ? "
            .'and f.archived_at is null '
            .'order by p.id limit 1');
        $query->execute([$value, $variant, $funnel]);

        /** @var LiveRow|false $row */
        $row = $query->fetch(PDO::FETCH_ASSOC);
        $query->closeCursor();

        return $row === false ? null : $row;
    }

    /**
     * Where the funnel's pages are, if it is asked for there.
     *
     * @param  LiveRow  $row
     */
    private function home(array $row, Ask $ask): ?SiteAddress
    {
        $home = Homes::home($ask->funnel, $row['own'], $row['house'], $row['front'] === $row['id']);

        return $ask->place->shows((int) $row['business_id'], $row['id'])
            && $ask->place->addressOf($row['id'], $ask->funnel)->place() === $home->place()
            && $ask->path === $home->path($ask->page) ? $home : null;
    }

    /** Where there is no funnel and never was one, and no path of the application's own. */
    private function notHere(Ask $ask): ?Answer
    {
        if ($ask->place->role === HostRole::Domain || in_array($ask->funnel, WebAddress::RESERVED, true)) {
            return null;
        }
        $query = $this->pdo->prepare('select n.stamp, n.words, n.written, b.language, b.phrases from front_notices n join '
            .'(select language, phrases from businesses order by id limit 1) b where n.name = ? '
            .'and not exists (select 1 from funnels where address = ?) and not exists (select 1 from old_addresses where address = ?)');
        $query->execute([FrontNotice::NOT_HERE, $ask->funnel, $ask->funnel]);
        /** @var array{stamp: string, words: string, written: string, language: string, phrases: string}|false $row */
        $row = $query->fetch(PDO::FETCH_ASSOC);
        $query->closeCursor();
        $notice = $row === false || $row['stamp'] !== $this->settings->stamp || $row['words'] !== FrontNotice::wordsOf($row['language'],
            $row['phrases']) ? null : FrontNotice::read($row['written']);

        return $notice === null ? null : new Answer(404, $notice->headers + ($ask->secure
            ? ['Strict-Transport-Security' => PageHeaders::STRICT_TRANSPORT] : []), $ask->method === 'HEAD' ? '' : $notice->body);
    }

    /**
     * Where a page is, and what is written of it; nothing where the framework must answer.
     *
     * @param  LiveRow  $row
     * @return array{SiteAddress, FrontPage}|null
     */
    private function live(array $row, Ask $ask): ?array
    {
        $home = $this->home($row, $ask);
        $page = $home === null ? null : $this->written($row, $home);

        return $home === null || $page === null ? null : [$home, $page];
    }

    /** @param  LiveRow  $row */
    private static function opening(array $row): Opening
    {
        return new Opening(FunnelState::from($row['state']), true, self::moment($row['opens_at']), self::moment($row['closes_at']));
    }

    /** @param  array{stamp: string|null, place: string|null, written: string|null, drawn_by: int}  $row */
    private function written(array $row, SiteAddress $home): ?FrontPage
    {
        // What was changed of the business since is drawn anew by the framework.
        return $row['drawn_by'] === $this->settings->drawnBy && $row['stamp'] === $this->settings->stamp
            && $row['place'] === $home->place()
            ? FrontPage::read((string) $row['written']) : null;
    }

    private static function moment(?string $sql): ?DateTimeImmutable
    {
        return $sql === null ? null : new DateTimeImmutable($sql, new DateTimeZone('UTC'));
    }
}
