<?php

declare(strict_types=1);

namespace App\Domains;

use App\Models\Business;
use App\Models\Domain;
use App\Models\Funnel;
use App\Support\Hosts;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Lantern\Core\Domains\DomainName;
use Lantern\Core\Domains\DomainUse;
use Lantern\Core\Support\Invalid;

/** The domains of a business: added, led somewhere, made the primary one, removed. */
final readonly class Domains
{
    public const MOST = 200;

    /** @throws Invalid where it cannot be one, or is in use */
    public function add(Business $business, string $typed, DomainUse $use, ?Funnel $funnel): Domain
    {
        $name = DomainName::of($typed, str_starts_with(Hosts::site(), 'http://'))->ascii;
        if (in_array($name, [Hosts::siteName(), Hosts::studioName()], true)) {
            throw Invalid::at('name', 'This is where the application itself stands. Your own domain is another one.');
        }

        return DB::transaction(function () use ($business, $name, $use, $funnel): Domain {
            $found = Domain::query()->where('name', $name)->first();
            if ($found !== null && $found->removed_at === null) {
                throw Invalid::at('name', $found->business_id === $business->id ? 'This domain is on your list already.'
                    : 'This domain is in use here already.');
            }
            if (Domain::query()->where('business_id', $business->id)->whereNull('removed_at')->count() >= self::MOST) {
                throw Invalid::at('name', 'You have '.self::MOST.' domains, which is as many as there can be.');
            }
            $found?->delete();

            return Domain::query()->create(['business_id' => $business->id, 'name' => $name, 'token' => Str::lower(Str::random(40)),
                ...self::leading($use, $funnel)]);
        });
    }

    /** What it leads to from now on. Where that is another thing, it is no longer the primary one. */
    public function lead(Domain $domain, DomainUse $use, ?Funnel $funnel): void
    {
        DB::transaction(function () use ($domain, $use, $funnel): void {
            $domain->forceFill(self::leading($use, $funnel));
            $domain->forceFill($domain->primary_of === $domain->target() ? [] : ['primary_of' => null])->save();
        });
    }

    /**
     * All links are made with it from now on, and the others lead to it.
     *
     * @throws Invalid where it does not work
     */
    public function makePrimary(Domain $domain): void
    {
        $target = $domain->target();
        if ($target === null) {
            throw Invalid::at('primary', 'The funnel that this domain is for is gone. Choose another one first.');
        }
        if (! $domain->state()->canBePrimary()) {
            throw Invalid::at('primary', 'This domain does not lead here yet, so visitors would find nothing. Check again when it does.');
        }
        DB::transaction(function () use ($domain, $target): void {
            if ($domain->refresh()->removed_at !== null) {
                throw Invalid::at('primary', 'This domain was removed in another window. Bring it back first.');
            }
            Domain::query()->where('primary_of', $target)->where('id', '!=', $domain->id)->update(['primary_of' => null]);
            $domain->forceFill(['primary_of' => $target])->save();
        });
    }

    public function endPrimary(Domain $domain): void
    {
        $domain->forceFill(['primary_of' => null])->save();
    }

    /** Nothing is there any more from now on. It can be brought back. */
    public function remove(Domain $domain): void
    {
        $domain->forceFill(['primary_of' => null, 'removed_at' => CarbonImmutable::now()])->save();
    }

    /** @throws Invalid where the list is full meanwhile */
    public function restore(Domain $domain): void
    {
        if ($domain->removed_at === null) {
            return;
        }
        if (Domain::query()->where('business_id', $domain->business_id)->whereNull('removed_at')->count() >= self::MOST) {
            throw Invalid::at('name', 'You have '.self::MOST.' domains, which is as many as there can be.');
        }
        $domain->forceFill(['removed_at' => null])->save();
    }

    /**
     * @return array{leads_to: DomainUse, funnel_id: string|null}
     *
     * @throws Invalid where it is to lead to a funnel and none is named
     */
    private static function leading(DomainUse $use, ?Funnel $funnel): array
    {
        if ($use === DomainUse::Funnel && $funnel === null) {
            throw Invalid::at('funnel', 'Please choose the funnel that this domain is for.');
        }

        return ['leads_to' => $use, 'funnel_id' => $funnel?->id];
    }
}
