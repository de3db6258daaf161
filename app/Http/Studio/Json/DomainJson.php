<?php

declare(strict_types=1);

namespace App\Http\Studio\Json;

use App\Models\Domain;
use App\Support\Hosts;
use App\Support\Instant;
use Lantern\Core\Domains\DnsRecord;
use Lantern\Core\Domains\DomainName;

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
            'checkedAt' => Instant::json($domain->checked_at), 'workedAt' => Instant::json($domain->worked_at)];
    }
}
