<?php

declare(strict_types=1);

namespace Lantern\Core\Popups;

use Lantern\Core\Support\Invalid;
use Lantern\Core\Support\Shape;
use Lantern\Core\Support\Written;

/** Where, and for which visitors, a pop-up is shown. Everything that is said must hold; what is not said holds for all. */
final readonly class Targeting
{
    public const PAGES = ['all', 'some', 'except', 'none'];

    public const DEVICES = ['all', 'desktop', 'phone'];

    public const VISITORS = ['all', 'new', 'returning'];

    /**
     * @param  string  $pages  which pages of the funnel: one of {@see self::PAGES}
     * @param  list<string>  $ids  of the pages that `some` and `except` speak of
     * @param  list<SiteTargeting>  $sites  on the owner's other sites
     * @param  string  $device  one of {@see self::DEVICES}; likewise `visitors`
     * @param  list<string>  $sources  values of `utm_source` or `ref` of which one must be there
     * @param  string  $parameter  the name of an address parameter that must be there; '' for none
     * @param  string  $value  what it must say; '' for anything
     * @param  list<string>  $languages  of the browser, such as `de`; the first that it asks for counts
     */
    public function __construct(
        public string $pages = 'all',
        public array $ids = [],
        public array $sites = [],
        public string $device = 'all',
        public string $visitors = 'all',
        public array $sources = [],
        public string $parameter = '',
        public string $value = '',
        public array $languages = [],
    ) {
    }

    /** @throws Invalid */
    public static function fromShape(?Shape $shape): self
    {
        if ($shape === null) {
            return new self;
        }
        $sites = [];
        foreach ($shape->groups('sites', 20) as $group) {
            $site = SiteTargeting::fromShape($group);
            $sites[$site->site] ??= $site;
        }
        $parameter = trim($shape->text('parameter', 40, ''));
        if ($parameter !== '' && preg_match('/^[A-Za-z][A-Za-z0-9_.-]{0,39}$/D', $parameter) !== 1) {
            throw Invalid::at($shape->path('parameter'), 'The name of an address parameter holds letters, digits and underscores.');
        }
        $languages = array_map(strtolower(...), self::words($shape->texts('languages', 20, 20)));
        foreach ($languages as $language) {
            if (preg_match('/^[a-z]{2,3}(-[a-z0-9]{2,8})?$/D', $language) !== 1) {
                throw Invalid::at($shape->path('languages'), 'A language is written like “de” or “pt-br”.');
            }
        }

        return new self($shape->oneOf('pages', self::PAGES, 'all'), array_values(array_unique($shape->texts('ids', 40, 40))),
            array_values($sites),
            $shape->oneOf('device', self::DEVICES, 'all'), $shape->oneOf('visitors', self::VISITORS, 'all'),
            self::words($shape->texts('sources', 20, 100)), $parameter,
            $parameter === '' ? '' : trim($shape->text('value', 100, '')), $languages);
    }

    /** May it stand on this page of its funnel? */
    public function hasPage(string $page): bool
    {
        return match ($this->pages) {
            'some' => in_array($page, $this->ids, true),
            'except' => ! in_array($page, $this->ids, true),
            'none' => false,
            default => true,
        };
    }

    public function site(string $site): ?SiteTargeting
    {
        foreach ($this->sites as $places) {
            if ($places->site === $site) {
                return $places;
            }
        }

        return null;
    }

    /** @param  array<string, string>  $parameters  of the address of the visit */
    public function hasSource(array $parameters): bool
    {
        $sources = array_map(mb_strtolower(...), array_filter([$parameters['utm_source'] ?? '', $parameters['ref'] ?? '']));

        return $this->sources === [] || array_intersect(array_map(mb_strtolower(...), $this->sources), $sources) !== [];
    }

    /** @param  array<string, string>  $parameters  likewise */
    public function hasParameter(array $parameters): bool
    {
        return $this->parameter === '' || (isset($parameters[$this->parameter])
            && ($this->value === '' || mb_strtolower($parameters[$this->parameter]) === mb_strtolower($this->value)));
    }

    /** @param  list<string>  $asked  languages in the order in which the browser prefers them: `de-AT`, `de`, `en` */
    public function hasLanguage(array $asked): bool
    {
        $first = strtolower($asked[0] ?? '');

        return $this->languages === [] || array_filter($this->languages,
            fn (string $l): bool => $first === $l || str_starts_with($first, "{$l}-")) !== [];
    }

    /** @param  array<string, string>  $ids  new ids by old ones */
    public function withIds(array $ids): self
    {
        return new self($this->pages, array_map(fn (string $id): string => $ids[$id] ?? $id, $this->ids), $this->sites, $this->device,
            $this->visitors, $this->sources, $this->parameter, $this->value, $this->languages);
    }

    /** @return array<string, mixed> what its written form may hold, as a JSON Schema */
    public static function schema(): array
    {
        return Written::group([
            'pages' => Written::choice(self::PAGES, 'of the funnel; all where nothing is said'), 'ids' => Written::listOf(Written::id(),
                40),
            'sites' => Written::listOf(SiteTargeting::schema(), 20), 'device' => Written::choice(self::DEVICES),
            'visitors' => Written::choice(self::VISITORS), 'sources' => Written::listOf(Written::text(100), 20),
            'parameter' => Written::text(40), 'value' => Written::text(100), 'languages' => Written::listOf(Written::text(20), 20),
        ]);
    }

    /** @return array<string, mixed> without what says nothing */
    public function toArray(): array
    {
        return array_filter([
            'pages' => $this->pages === 'all' ? '' : $this->pages, 'ids' => in_array($this->pages, ['some', 'except'], true) ? $this->ids
                : [],
            'sites' => array_map(fn (SiteTargeting $s): array => $s->toArray(), $this->sites),
            'device' => $this->device === 'all' ? '' : $this->device, 'visitors' => $this->visitors === 'all' ? '' : $this->visitors,
            'sources' => $this->sources, 'parameter' => $this->parameter, 'value' => $this->value, 'languages' => $this->languages,
        ], fn (string|array $v): bool => $v !== '' && $v !== []);
    }

    /**
     * @param  list<string>  $given
     * @return list<string>
     */
    private static function words(array $given): array
    {
        return array_values(array_unique(array_filter(array_map(trim(...), $given), fn (string $w): bool => $w !== '')));
    }
}
