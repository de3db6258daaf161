<?php

declare(strict_types=1);

namespace App\Domains;

use App\Models\Domain;
use App\Support\Hosts;
use App\Support\Resolver;
use App\Webhooks\NotCalled;
use App\Webhooks\Outgoing;
use Carbon\CarbonImmutable;
use GuzzleHttp\Exception\TransferException;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\RequestException;
use Lantern\Core\Domains\DomainFinding;

/** Looks whether a domain leads to us: asks the DNS for its addresses, and the domain itself for its token, as a visitor would ask it. */
final readonly class LookAtDomain
{
    public function __construct(private Resolver $resolver, private ServerAddresses $addresses, private Outgoing $outgoing)
    {
    }

    public function look(Domain $domain, CarbonImmutable $now): void
    {
        $found = $this->resolver->addresses($domain->name);
        $ours = $this->addresses->all();
        [$mayBeAsked, $answered] = $found === [] ? [true, null] : $this->answered($domain, $ours);
        $finding = DomainFinding::of($found, $ours, $mayBeAsked, $answered);
        $domain->forceFill(['finding' => $finding, 'found' => array_slice($found, 0, 20), 'checked_at' => $now]
            + ($finding->works() ? ['worked_at' => $now] : []))->save();
    }

    /**
     * @param  list<string>  $ours
     * @return array{bool, bool|null} may its addresses be asked; did it answer with the token, null where nothing answered
     */
    private function answered(Domain $domain, array $ours): array
    {
        $path = "/m/domains/{$domain->token}";
        $isSecure = str_starts_with(Hosts::site(), 'https://');
        // Where the site is reached by https, a domain may have no certificate yet: it is asked without first.
        $whole = [...($isSecure ? ["http://{$domain->name}{$path}"] : []), Hosts::originOf($domain->name).$path];
        $answered = null;
        foreach ($whole as $url) {
            try {
                [$status, $words, $onward] = $this->outgoing->ask($url, $ours);
                if ($status === 200 && $words === $domain->token) {
                    return [true, true];
                }
                // The next one is where it should lead; anywhere else is not ours.
                $answered = $status >= 300 && $status < 400 && in_array($onward, $whole, true) ? $answered : false;
            } catch (NotCalled) {
                return [false, null];
            } catch (ConnectionException|RequestException|TransferException) {
                continue;
            }
        }

        return [true, $answered];
    }
}
