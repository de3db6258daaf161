<?php

declare(strict_types=1);

namespace App\Support;

use Lantern\Core\Domains\AddressForm;

/** Where the public pages of a funnel are: scheme and host, what stands before its addresses, and the funnel's own. */
final readonly class SiteAddress
{
    /**
     * @param  string  $origin  scheme and host, such as `https://pages.example`
     * @param  string  $prefix  '' or a path that all public addresses begin with, such as `/pages`
     * @param  string  $funnel  the address of the funnel below that; '' for pages of no funnel
     */
    public function __construct(public string $origin, public string $prefix, public string $funnel,
        public AddressForm $form = AddressForm::Below)
    {
    }

    /** On the site's own host. @param  string  $funnel  its address */
    public static function of(string $funnel): self
    {
        $site = Hosts::site();
        $prefix = Hosts::sitePath();

        return new self($prefix === '' ? $site : substr($site, 0, -strlen($prefix)), $prefix, $funnel);
    }

    /** On a domain. @param  string  $funnel  its address */
    public static function on(string $domain, string $funnel, AddressForm $form = AddressForm::Below): self
    {
        return new self(Hosts::originOf($domain), '', $funnel, $form);
    }

    /** The path of a page of the funnel; of its entry page without an address. */
    public function path(string $page = ''): string
    {
        return $this->prefix.$this->form->path($this->funnel, $page);
    }

    /** The path below which all pages of the funnel stand. */
    public function below(): string
    {
        return $this->prefix.$this->form->below($this->funnel);
    }

    /** The whole address of a page of the funnel. */
    public function url(string $page = ''): string
    {
        return $this->origin.$this->path($page);
    }

    /** The whole address of something that is no page. @param  string  $path  such as `/media/…` */
    public function to(string $path): string
    {
        return $this->origin.$this->prefix.$path;
    }

    /** Where something noted on a page leads: an address elsewhere, or `page:` and that of a page of the funnel; '' for nowhere. */
    public function onward(string $noted): string
    {
        return str_starts_with($noted, 'page:') ? $this->path(substr($noted, 5)) : $noted;
    }

    /** Told apart from every other place: what is written for one place is not answered at another. */
    public function place(): string
    {
        return $this->origin.$this->path()." {$this->form->value} {$this->funnel}";
    }
}
