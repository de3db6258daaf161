<?php

declare(strict_types=1);

namespace App\Webhooks;

use App\Support\Resolver;
use GuzzleHttp\Psr7\Utils;
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
        [$host, $port, $address] = $this->target($url);
        $sink = Utils::streamFor('');
        $answer = Http::withoutRedirecting()->connectTimeout(5)->timeout(15)->withBody($body, 'application/json')->withHeaders($headers)
            ->withOptions(['sink' => new BoundedSink($sink, self::MOST_BYTES), 'proxy' => '', 'curl' => [
                CURLOPT_RESOLVE => ["{$host}:{$port}:".(str_contains($address, ':') ? "[{$address}]" : $address)],
                CURLOPT_PROTOCOLS => CURLPROTO_HTTP | CURLPROTO_HTTPS,
            ]])->post($url);
        $words = trim((string) preg_replace('/[^\P{C}]+|\s+/u', ' ', mb_scrub(mb_strcut($answer->body(), 0, 4 * self::MOST_WORDS))));

        return [$answer->status(), mb_substr($words, 0, self::MOST_WORDS)];
    }

    /**
     * @return array{string, int, string} host, port, and the address the call goes to
     *
     * @throws NotCalled
     */
    private function target(string $url): array
    {
        $parts = parse_url($url);
        $scheme = strtolower($parts['scheme'] ?? '');
        $host = strtolower(trim($parts['host'] ?? '', '[]'));
        $port = $parts['port'] ?? ($scheme === 'http' ? 80 : 443);
        if ($host === '' || isset($parts['user']) || ! in_array($scheme, ['http', 'https'], true)) {
            throw new NotCalled('This is no web address that can be called.');
        }
        $allowed = in_array("{$host}:{$port}", (array) config('lantern.outgoing.allow'), true);
        if ($scheme === 'http' && ! $allowed && ! config('lantern.outgoing.http')) {
            throw new NotCalled('Only addresses that begin with https:// are called.');
        }
        $addresses = $this->resolver->addresses($host);
        foreach ($addresses as $address) {
            // One that is not public spoils the rest: whoever answers so means no good.
            if (! $allowed && ! NetworkAddress::isPublic($address)) {
                throw new NotCalled('This address leads to this machine or a private network, which is never called.');
            }
        }

        return [$host, $port, $addresses[0] ?? throw new NotCalled('Nobody knows this host.')];
    }
}
