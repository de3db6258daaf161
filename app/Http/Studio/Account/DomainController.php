<?php

declare(strict_types=1);

namespace App\Http\Studio\Account;

use App\Domains\Domains;
use App\Domains\LookAtDomain;
use App\Domains\ServerAddresses;
use App\Http\Studio\Json\DomainJson;
use App\Http\Studio\StudioController;
use App\Models\Domain;
use App\Models\Funnel;
use App\Support\Hosts;
use App\Support\Ids;
use App\Support\Input;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Lantern\Core\Domains\DomainUse;
use Lantern\Core\Support\Invalid;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The owner's domains: what to write into the DNS for each, how it stands, and which one links are made with. */
final class DomainController extends StudioController
{
    public function __construct(private readonly Domains $domains, private readonly ServerAddresses $addresses)
    {
    }

    public function index(): JsonResponse
    {
        $addresses = $this->addresses->all();
        $all = Domain::query()->with('funnel')->where('business_id', $this->business()->id)->whereNull('removed_at')->orderBy('id')->get();

        return response()->json(['domains' => $all->map(fn (Domain $d): array => DomainJson::of($d, $addresses))->all(),
            'site' => Hosts::site(), 'most' => Domains::MOST,
            'funnels' => Funnel::query()->where('business_id', $this->business()->id)->whereNull('archived_at')->orderBy('name')
                ->orderBy('id')->get(['id', 'name', 'address'])->map(fn (Funnel $f): array => ['id' => $f->id, 'name' => $f->name,
                    'address' => $f->address])->all()]);
    }

    public function store(Request $request): JsonResponse
    {
        [$use, $funnel] = $this->leadsTo($request);

        return $this->answer($this->domains->add($this->business(), Input::text($request, 'name'), $use, $funnel), 201);
    }

    public function update(Request $request, string $domain): JsonResponse
    {
        $found = $this->domain($domain);
        [$use, $funnel] = $this->leadsTo($request);
        $this->domains->lead($found, $use, $funnel);

        return $this->answer($found);
    }

    public function check(string $domain, LookAtDomain $looks): JsonResponse
    {
        $found = $this->domain($domain);
        $looks->look($found, CarbonImmutable::now());

        return $this->answer($found);
    }

    public function makePrimary(string $domain): JsonResponse
    {
        $found = $this->domain($domain);
        $this->domains->makePrimary($found);

        return $this->answer($found);
    }

    public function endPrimary(string $domain): JsonResponse
    {
        $found = $this->domain($domain);
        $this->domains->endPrimary($found);

        return $this->answer($found);
    }

    public function destroy(string $domain): JsonResponse
    {
        $found = $this->domain($domain);
        $this->domains->remove($found);

        return response()->json(['id' => $found->id]);
    }

    public function restore(string $domain): JsonResponse
    {
        $found = $this->domain($domain, true);
        $this->domains->restore($found);

        return $this->answer($found);
    }

    private function answer(Domain $domain, int $status = 200): JsonResponse
    {
        return response()->json(DomainJson::of($domain->load('funnel'), $this->addresses->all()), $status);
    }

    /** @return array{DomainUse, Funnel|null} */
    private function leadsTo(Request $request): array
    {
        $use = DomainUse::tryFrom(Input::text($request, 'leadsTo'))
            ?? throw Invalid::at('leadsTo', 'Please choose what this domain leads to.');
        $id = Input::text($request, 'funnel');
        $funnel = $id === '' ? null : Funnel::query()->where('business_id', $this->business()->id)->whereNull('archived_at')
            ->where('id', $id)->first();
        if ($id !== '' && $funnel === null) {
            throw Invalid::at('funnel', 'There is no such funnel any more. Please choose another one.');
        }

        return [$use, $funnel];
    }

    /** @param  bool  $removed  may it be one that was removed? That can be brought back, and nothing else */
    private function domain(string $id, bool $removed = false): Domain
    {
        return Ids::is($id) ? Domain::query()->where('business_id', $this->business()->id)->where('id', $id)
            ->when(! $removed, fn ($q) => $q->whereNull('removed_at'))->firstOrFail() : throw new NotFoundHttpException;
    }
}
