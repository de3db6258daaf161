<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;
use Lantern\Core\Domains\AddressForm;

/**
 * Where links to public pages lead: to the primary domain of a funnel or of its business, or else to the site's host. What is known is
 * kept for as long as one request or one job takes.
 *
 * @phpstan-type PrimaryRow object{name: string, primary_of: string, funnel_id: string|null}
 */
final class Homes
{
    /** @var array<int, array<string, array{name: string, funnel: string|null}>> by business, and by what each is the primary one of */
    private array $primary = [];

    /** @var array<string, bool>|null the names of all domains, and whether links are made with each */
    private ?array $names = null;

    public static function ofBusiness(int $business): string
    {
        return "business:{$business}";
    }

    public static function ofFunnel(string $funnel): string
    {
        return "funnel:{$funnel}";
    }

    /**
     * The one place where it is decided, for those who have the rows already.
     *
     * @param  string  $address  the funnel's
     * @param  string|null  $own  the primary domain of the funnel alone; likewise of its business
     * @param  bool  $isFront  is the funnel the front page of the latter?
     */
    public static function home(string $address, ?string $own, ?string $house, bool $isFront): SiteAddress
    {
        return match (true) {
            $own !== null => SiteAddress::on($own, $address, AddressForm::Alone),
            $house !== null => SiteAddress::on($house, $address, $isFront ? AddressForm::Front : AddressForm::Below),
            default => SiteAddress::of($address),
        };
    }

    /** @param  string  $address  that of the funnel */
    public function funnel(int $business, string $funnel, string $address): SiteAddress
    {
        $primary = $this->primaryOf($business);
        $house = $primary[self::ofBusiness($business)] ?? null;

        return self::home($address, $primary[self::ofFunnel($funnel)]['name'] ?? null, $house['name'] ?? null,
            ($house['funnel'] ?? null) === $funnel);
    }

    /** Of what belongs to a business, and where one is named to a funnel of it: for all but the addresses of its pages. */
    public function business(int $business, ?string $funnel = null): SiteAddress
    {
        return $this->funnel($business, $funnel ?? '', '');
    }

    /** The whole address of something that is no page, such as a link in an email. @param  string  $path  such as `/u/…` */
    public static function link(int $business, ?string $funnel, string $path): string
    {
        return app(self::class)->business($business, $funnel)->to($path);
    }

    /** @return list<string> hosts that are ours, besides the Studio's and the site's */
    public function names(): array
    {
        return array_keys($this->known());
    }

    /** Do pages stand on a domain, so that it does not lead on to another one? */
    public function isPrimary(string $name): bool
    {
        return $this->known()[$name] ?? false;
    }

    /** @return array<string, bool> */
    private function known(): array
    {
        return $this->names ??= DB::table('domains')->whereNull('removed_at')->pluck('primary_of', 'name')
            ->map(fn (mixed $of): bool => $of !== null)->all();
    }

    public function forget(): void
    {
        $this->primary = [];
        $this->names = null;
    }

    /** @return array<string, array{name: string, funnel: string|null}> */
    private function primaryOf(int $business): array
    {
        if (! isset($this->primary[$business])) {
            $this->primary[$business] = [];
            /** @var PrimaryRow $row */
            foreach (DB::table('domains')->where('business_id', $business)->whereNotNull('primary_of')->get(['name', 'primary_of',
                'funnel_id']) as $row) {
                $this->primary[$business][$row->primary_of] = ['name' => $row->name, 'funnel' => $row->funnel_id];
            }
        }

        return $this->primary[$business];
    }
}
