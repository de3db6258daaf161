<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Lantern\Core\Domains\AddressForm;
use Lantern\Core\Domains\DomainUse;
use Lantern\Core\Domains\HostRole;
use PDO;

/** At which of our hosts a request came in, as both ways to answer a page see it. */
final readonly class Place
{
    /**
     * @param  string  $name  of the host
     * @param  int|null  $business  whose domain it is; null where it is none
     * @param  string|null  $funnel  id of the funnel at its front page, or whose domain it is; then its address
     */
    private function __construct(
        public HostRole $role,
        public string $name,
        public ?int $business = null,
        public ?DomainUse $use = null,
        public ?string $funnel = null,
        private ?string $address = null,
    ) {
    }

    /**
     * @param  string|null  $host  as the request names it
     * @param  callable(): PDO  $database  asked only for hosts that are neither the Studio's nor the site's
     */
    public static function of(?string $host, callable $database): self
    {
        $row = null;
        $role = HostRole::of($host, Hosts::studioName(), Hosts::siteName(), function (string $name) use ($database, &$row): bool {
            $query = $database()->prepare('select d.business_id, d.leads_to, d.funnel_id, f.address from domains d '
                .'left join funnels f on f.id = d.funnel_id where d.name = ? and d.removed_at is null');
            $query->execute([$name]);
            /** @var array{business_id: int|string, leads_to: string, funnel_id: string|null, address: string|null}|false $row */
            $row = $query->fetch(PDO::FETCH_ASSOC);
            $query->closeCursor();

            return $row !== false;
        });

        return is_array($row) ? new self($role, HostRole::name($host), (int) $row['business_id'], DomainUse::from($row['leads_to']),
            $row['funnel_id'], $row['address']) : new self($role, HostRole::name($host));
    }

    /** Where this request came in, as the walls between hosts have seen it. */
    public static function here(Request $request): self
    {
        $place = $request->attributes->get(self::class);

        return $place instanceof self ? $place : new self(HostRole::Site, Hosts::siteName());
    }

    /** Scheme, host and path in front of the public addresses here. */
    public function front(): string
    {
        return $this->role === HostRole::Domain ? Hosts::originOf($this->name) : Hosts::site();
    }

    /** '' or the path that public addresses here begin with. */
    public function prefix(): string
    {
        return $this->role === HostRole::Domain ? '' : Hosts::sitePath();
    }

    /**
     * Which page is asked for here.
     *
     * @param  string  $path  without the prefix
     * @return array{string, string}|null addresses of funnel and page
     */
    public function asked(string $path): ?array
    {
        return AddressForm::asked($this->use, $this->address, $path);
    }

    /** Where a funnel would stand here. */
    public function addressOf(string $funnel, string $address): SiteAddress
    {
        return match (true) {
            $this->role !== HostRole::Domain => SiteAddress::of($address),
            $this->funnel !== $funnel => SiteAddress::on($this->name, $address),
            default => SiteAddress::on($this->name, $address, $this->use === DomainUse::Funnel ? AddressForm::Alone : AddressForm::Front),
        };
    }

    /** May a funnel of a business be shown here? On a domain only those of its owner's, and on one for a funnel only that. */
    public function shows(int $business, string $funnel): bool
    {
        return $this->business === null || ($this->business === $business
            && ($this->use !== DomainUse::Funnel || $this->funnel === $funnel));
    }
}
