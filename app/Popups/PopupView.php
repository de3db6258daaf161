<?php

declare(strict_types=1);

namespace App\Popups;

use App\Models\Business;
use App\Models\Funnel;
use App\Models\PublishedPage;
use App\Models\Site;
use App\Serving\Browser;
use App\Support\Ids;
use App\Support\Input;
use App\Support\Place;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Lantern\Core\Popups\AddressPattern;

/** One view of a page, as a browser reports it. What it says of itself opens nothing and names nobody. */
final readonly class PopupView
{
    /** What a link in our emails carries to the owner's other sites. It names nobody. */
    public const FROM_EMAIL = 'lantern=email';

    /**
     * @param  Funnel|null  $funnel  with the `page` that is looked at; null on another site
     * @param  string  $path  of the page of the other site
     * @param  string  $source  the query of the page's address
     * @param  list<string>  $languages  as the browser prefers them
     * @param  string  $view  an id of this view, which the browser did not choose
     */
    public function __construct(
        public Business $business,
        public ?Funnel $funnel,
        public ?PublishedPage $page,
        public ?Site $site,
        public string $path,
        public string $title,
        public ?string $visitor,
        public string $source,
        public array $languages,
        public bool $phone,
        public bool $fromEmail,
        public bool $owner,
        public string $view,
        public CarbonImmutable $since,
    ) {
    }

    /** What a request says; null where there is nothing that could be asked for. */
    public static function read(Request $request, string $view): ?self
    {
        $now = CarbonImmutable::now();
        $site = self::site(Input::text($request, 'site'));
        if (! self::isFrom($request->headers->get('Origin'), $site->origin ?? Place::here($request)->front())) {
            return null;
        }
        $funnel = $site === null ? self::funnel(Input::text($request, 'funnel'), $now) : null;
        $page = self::page($funnel, Input::text($request, 'page'));
        $business = $site->business ?? $funnel?->business;
        if ($business === null || ($site === null && $page === null)) {
            return null;
        }
        $source = mb_scrub(mb_substr(Input::text($request, 'source'), 0, 2000));

        return new self($business, $funnel, $page, $site,
            mb_substr(AddressPattern::path(mb_scrub(Input::text($request, 'address'))), 0, 500),
            mb_substr(trim((string) preg_replace('/[\p{C}\s]+/u', ' ', mb_scrub(Input::text($request, 'title')))), 0, 200),
            Browser::id($request), $source, self::languages(Input::text($request, 'languages')), Input::text($request, 'phone') === '1',
            $site !== null && preg_match('/(?:^|&)'.self::FROM_EMAIL.'(?:&|$)/', $source) === 1,
            Browser::isOwner($request), $view, $now);
    }

    /**
     * Does a page that asks stand on the owner's site, or on a host below it? Browsers say truly where a page comes from, and say it
     * with every such question; what says nothing of it is no browser, and writes nothing.
     */
    private static function isFrom(?string $origin, string $site): bool
    {
        $host = fn (string $url): string => (string) preg_replace('/^www\./', '', strtolower((string) parse_url($url, PHP_URL_HOST)));
        $from = $host((string) $origin);

        return $from !== '' && ($from === $host($site) || str_ends_with($from, '.'.$host($site)));
    }

    /** The place that visits are counted for. */
    public function place(): string
    {
        return $this->site->id ?? $this->funnel->id ?? '';
    }

    /** The address as patterns of places are compared with it. */
    public function address(): string
    {
        return $this->path.($this->source === '' ? '' : "?{$this->source}");
    }

    /** @return array<string, string> address parameters by name */
    public function parameters(): array
    {
        return self::parametersOf($this->source);
    }

    /** @return array<string, string> likewise */
    public static function parametersOf(string $source): array
    {
        parse_str($source, $read);
        $parameters = [];
        foreach (array_slice($read, 0, 60, true) as $name => $value) {
            if (is_string($value) && mb_check_encoding((string) $name, 'UTF-8')) {
                $parameters[(string) $name] = mb_substr($value, 0, 300);
            }
        }

        return $parameters;
    }

    /** The query with the words that may stand for the page it came from, as merge fields and hidden fields ask for them. */
    public function query(): string
    {
        $own = $this->site === null ? [] : ['site_title' => $this->title, 'site_search' => array_values($this->parameters())[0] ?? ''];

        return $this->source.($own === [] ? '' : '&'.http_build_query($own));
    }

    public static function funnel(string $id, CarbonImmutable $now): ?Funnel
    {
        $funnel = Ids::is($id) ? Funnel::query()->with('business')->find($id) : null;

        return $funnel?->isOpen($now) === true ? $funnel : null;
    }

    /** A page of the version of a funnel that is live. */
    public static function page(?Funnel $funnel, string $id): ?PublishedPage
    {
        return $funnel === null || ! Ids::is($id) ? null : PublishedPage::query()->where('version_id', $funnel->live_version_id)
            ->where('page_id', $id)->where('variant', '')->whereNull('popup')->first();
    }

    public static function site(string $id): ?Site
    {
        return Ids::is($id) ? Site::query()->with('business')->whereNull('deleted_at')->find($id) : null;
    }

    /** @return list<string> */
    public static function languages(string $list): array
    {
        return array_slice(array_values(array_filter(explode(',', $list),
            fn (string $l): bool => preg_match('/^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$/D', $l) === 1)), 0, 10);
    }
}
