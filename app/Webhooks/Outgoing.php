<?php

declare(strict_types=1);

namespace App\Webhooks;

use App\Support\Resolver;
use GuzzleHttp\Psr7\Utils;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use Lantern\Core\Support\NetworkAddress;

/**
 * Calls to addresses that somebody typed: over https, to hosts of the internet alone, never to this machine or a private network.
 * The host is asked for once and the call goes to the very address that was looked at. No redirects are followed, time and size
 * are bounded.
 */
final readonly class Outgoing
{
    private const MOST_BYTES = 20_000;

    private const MOST_WORDS = 100;

    public function __construct(private Resolver $resolver)
    {
    }

    /**
     * @param  array<string, string>  $headers
     * @return array{int, string} the state of the answer, and its first few words
     *
     * @throws NotCalled with one sentence that says why
     */
    public function post(string $url, string $body, array $headers): array
    {
        $answer = $this->sent('post', $url, $body, $headers, 15, $this->target($url));

        return [$answer->status(), self::words($answer)];
    }

    /**
     * Asks a host that may be this very server, which is then asked as everybody asks it, over http too. For what is no secret.
     *
     * @param  list<string>  $ours  network addresses of this server: they may be asked although they are not public
     * @return array{int, string, string} the state of the answer, its first few words, and where it leads on to, or ''
     *
     * @throws NotCalled with one sentence that says why
     */
    public function ask(string $url, array $ours): array
    {
        $answer = $this->sent('get', $url, null, [], 5, $this->target($url, $ours));

        return [$answer->status(), self::words($answer), $answer->header('Location')];
    }

    /**
     * @param  array<string, string>  $headers
     * @param  array{string, int, string}  $target
     */
    private function sent(string $method, string $url, ?string $body, array $headers, int $seconds, array $target): Response
    {
        [$host, $port, $address] = $target;
        $request = Http::withoutRedirecting()->connectTimeout(min(5, $seconds))->timeout($seconds)->withHeaders($headers)
            ->withOptions(['sink' => new BoundedSink(Utils::streamFor(''), self::MOST_BYTES), 'proxy' => '', 'curl' => [
                CURLOPT_RESOLVE => ["{$host}:{$port}:".(str_contains($address, ':') ? "[{$address}]" : $address)],
                CURLOPT_PROTOCOLS => CURLPROTO_HTTP | CURLPROTO_HTTPS,
            ]]);

        return $body === null ? $request->get($url) : $request->withBody($body, 'application/json')->send($method, $url);
    }

    private static function words(Response $answer): string
    {
        return mb_substr(trim((string) preg_replace('/[^\P{C}]+|\s+/u', ' ',
            mb_scrub(mb_strcut($answer->body(), 0, 4 * self::MOST_WORDS)))), 0, self::MOST_WORDS);
    }

    /**
     * @param  list<string>|null  $ours  see {@see ask()}; null for what goes to others alone, and over https
     * @return array{string, int, string} host, port, and the address the call goes to
     *
     * @throws NotCalled
     */
    private function target(string $url, ?array $ours = null): array
    {
        $parts = parse_url($url);
        $scheme = strtolower($parts['scheme'] ?? '');
        $host = strtolower(trim($parts['host'] ?? '', '[]'));
        $port = $parts['port'] ?? ($scheme === 'http' ? 80 : 443);
        if ($host === '' || isset($parts['user']) || ! in_array($scheme, ['http', 'https'], true)) {
            throw new NotCalled('This is no web address that can be called.');
        }
        $allowed = in_array("{$host}:{$port}", (array) config('lantern.outgoing.allow'), true);
        if ($ours === null && $scheme === 'http' && ! $allowed && ! config('lantern.outgoing.http')) {
            throw new NotCalled('Only addresses that begin with https:// are called.');
        }
        $addresses = $this->resolver->addresses($host);
        foreach ($addresses as $address) {
            // One that is not public spoils the rest: whoever answers so means no good.
            if (! $allowed && ! NetworkAddress::isPublic($address) && ! in_array($address, $ours ?? [], true)) {
                throw new NotCalled('This address leads to this machine or a private network, which is never called.');
            }
        }

        return [$host, $port, $addresses[0] ?? throw new NotCalled('Nobody knows this host.')];
    }
}
