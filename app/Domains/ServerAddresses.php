<?php

declare(strict_types=1);

namespace App\Domains;

use App\Support\Hosts;
use App\Support\Resolver;

/** The network addresses of this server, to which domains are to lead. */
final readonly class ServerAddresses
{
    public function __construct(private Resolver $resolver)
    {
    }

    /** @return list<string> as far as they are known */
    public function all(): array
    {
        $named = array_values(array_filter((array) config('lantern.addresses'), is_string(...)));

        return $named !== [] ? $named : $this->resolver->addresses(trim(Hosts::siteName(), '[]'));
    }
}
