<?php

declare(strict_types=1);

namespace App\Http\Site;

use App\Support\Homes;
use App\Support\Hosts;
use App\Support\Place;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Domains\HostRole;

/** What is asked of domains by machines: whether one leads to us, and by the web server whether it is to get a certificate for one. */
final class DomainController
{
    /** The token of a domain, on that very domain. */
    public function token(Request $request, string $token): Response
    {
        $place = Place::here($request);
        $known = $place->role === HostRole::Domain && DB::table('domains')->where('name', $place->name)->where('token', $token)->exists();

        return self::say($known ? 200 : 404, $known ? $token : 'There is nothing here.');
    }

    /** Of a name that is given: 200 where pages of ours are there, 404 where not. */
    public function known(Request $request, Homes $homes): Response
    {
        $name = $request->query('domain');
        $known = is_string($name) && in_array(HostRole::name($name), [Hosts::siteName(), Hosts::studioName(), ...$homes->names()], true);

        return self::say($known ? 200 : 404, $known ? 'Known' : 'Not known');
    }

    private static function say(int $status, string $words): Response
    {
        return new Response("{$words}\n", $status, ['Content-Type' => 'text/plain; charset=utf-8', 'Cache-Control' => 'no-store']);
    }
}
