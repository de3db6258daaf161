<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Domain;
use App\Support\Hosts;
use App\Support\Instant;
use Lantern\Core\Domains\DnsRecord;
use Lantern\Core\Domains\DomainName;
use Lantern\Core\Support\NetworkAddress;

/** A domain as the Studio shows it. */
final class DomainJson
{
    /**
     * @param  list<string>  $addresses  of this server
     * @return array<string, mixed>
     */
    public static function of(Domain $domain, array $addresses): array
    {
        $name = DomainName::of($domain->name, true);
        $record = fn (DnsRecord $r): array => ['type' => $r->type, 'name' => $r->name, 'value' => $r->value];
        $records = DnsRecord::leading($name, $addresses, Hosts::siteName());

        return ['id' => $domain->id, 'name' => $domain->name, 'shown' => $name->shown(), 'url' => Hosts::originOf($domain->name).'/',
            'leadsTo' => $domain->leads_to->value, 'funnel' => $domain->funnel_id, 'funnelName' => $domain->funnel?->name,
            'primary' => $domain->isPrimary(), 'state' => $domain->state()->value, 'canBePrimary' => $domain->state()->canBePrimary(),
            'finding' => $domain->finding?->value, 'sentence' => $domain->finding?->sentence($domain->found, $addresses) ?? '',
            'records' => array_map($record, $records['addresses']), 'alias' => $records['alias'] === null ? null
                : $record($records['alias']),
            // Where the server is known by addresses of its own network alone, the records lead nobody here.
            'reachable' => $addresses === [] || array_filter($addresses, NetworkAddress::isPublic(...)) !== [],
            'checkedAt' => Instant::json($domain->checked_at), 'workedAt' => Instant::json($domain->worked_at)];
    }
}
