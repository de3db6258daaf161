<?php

declare(strict_types=1);

namespace App\Support;

/** Where the public pages of a funnel are: scheme and host of the site, what stands before its addresses, and the funnel's own. */
final readonly class SiteAddress
{
    /**
     * @param  string  $origin  scheme and host, such as `https://pages.example`
     * @param  string  $prefix  '' or a path that all public addresses begin with, such as `/pages`
     * @param  string  $funnel  the address of the funnel below that
     */
    public function __construct(public string $origin, public string $prefix, public string $funnel)
    {
    }

    /** @param  string  $funnel  its address */
    public static function of(string $funnel): self
    {
        $site = Hosts::site();
        $prefix = Hosts::sitePath();

        return new self($prefix === '' ? $site : substr($site, 0, -strlen($prefix)), $prefix, $funnel);
    }

    /** The path of a page of the funnel; of its entry page without an address. */
    public function path(string $page = ''): string
    {
        return "{$this->prefix}/{$this->funnel}".($page === '' ? '' : "/{$page}");
    }

    /** The whole address of a page of the funnel. */
    public function url(string $page = ''): string
    {
        return $this->origin.$this->path($page);
    }

    /** Where something noted on a page leads: an address elsewhere, or `page:` and that of a page of the funnel; '' for nowhere. */
    public function onward(string $noted): string
    {
        return str_starts_with($noted, 'page:') ? $this->path(substr($noted, 5)) : $noted;
    }
}
