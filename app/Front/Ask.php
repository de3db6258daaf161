<?php

declare(strict_types=1);

namespace App\Front;

use App\Support\Place;
use App\Support\SiteCookie;
use App\Support\SiteCookies;
use Lantern\Core\Support\NetworkAddress;
use PDO;

/** A page of a funnel that a browser asks for, as far as it can be read without the framework. */
final readonly class Ask
{
    /** Parameters of an address that mean more than where somebody came from: pages with them are the framework's. */
    private const LEFT = ['answer', 'deadline', 'variant', 'visitor'];

    /**
     * @param  string  $path  as it was asked, with all that stands before it
     * @param  string  $funnel  its address; likewise of the page, '' for the entry page
     * @param  array<array-key, mixed>  $query
     * @param  array<array-key, mixed>  $cookies
     * @param  string|null  $ip  null where a proxy would have to be asked for it
     */
    private function __construct(
        public string $method,
        public Place $place,
        public string $path,
        public string $funnel,
        public string $page,
        public array $query,
        public string $queryString,
        private array $cookies,
        public ?string $userAgent,
        public ?string $purpose,
        public ?string $encodings,
        public ?string $ifNoneMatch,
        public ?string $ip,
        public bool $secure,
    ) {
    }

    /**
     * @param  array<array-key, mixed>  $server  as PHP has it
     * @param  array<array-key, mixed>  $cookies
     * @param  list<string>  $proxies  that are believed
     * @param  callable(): PDO  $database  see {@see Place::of()}
     * @return self|null null for all that is no plain look at a page of the site, or something that is sent from one
     */
    public static function of(array $server, array $cookies, array $proxies, callable $database): ?self
    {
        [$path, $queryString] = [...explode('?', self::text($server, 'REQUEST_URI'), 2), ''];
        $base = self::base(self::text($server, 'SCRIPT_NAME'));
        $method = self::text($server, 'REQUEST_METHOD');
        // What is sent is sent to a plain address.
        if (! in_array($method, ['GET', 'HEAD', 'POST'], true) || ($method === 'POST' && $queryString !== '')
            || $queryString !== self::text($server, 'QUERY_STRING')) {
            return null;
        }
        $place = Place::of(self::text($server, 'HTTP_HOST'), $database);
        $asked = $place->role->hasPages() && $base === $place->prefix() && str_starts_with($path, "{$base}/")
            ? $place->asked(substr($path, strlen($base))) : null;
        if ($asked === null) {
            return null;
        }
        parse_str($queryString, $query);

        return array_intersect_key($query, array_flip(self::LEFT)) === []
            ? self::made($server, $cookies, $proxies, $place, $path, $asked, $query, $queryString) : null;
    }

    /**
     * What a page of the site reports.
     *
     * @param  array<array-key, mixed>  $server  likewise as above
     * @param  array<array-key, mixed>  $cookies
     * @param  list<string>  $proxies
     * @param  callable(): PDO  $database
     * @param  list<string>  $paths  of reports, such as `/m/view`
     */
    public static function report(array $server, array $cookies, array $proxies, callable $database, array $paths): ?self
    {
        $base = self::base(self::text($server, 'SCRIPT_NAME'));
        $path = str_starts_with(self::text($server, 'REQUEST_URI'), $base) ? substr(self::text($server, 'REQUEST_URI'), strlen($base)) : '';
        if (self::text($server, 'REQUEST_METHOD') !== 'POST' || ! in_array($path, $paths, true)) {
            return null;
        }
        $place = Place::of(self::text($server, 'HTTP_HOST'), $database);

        return $place->role->hasPages() && $base === $place->prefix()
            ? self::made($server, $cookies, $proxies, $place, $path, ['', ''], [], '') : null;
    }

    /**
     * @param  array<array-key, mixed>  $server
     * @param  array<array-key, mixed>  $cookies
     * @param  list<string>  $proxies
     * @param  array{string, string}  $asked  addresses of funnel and page
     * @param  array<array-key, mixed>  $query
     */
    private static function made(array $server, array $cookies, array $proxies, Place $place, string $path, array $asked, array $query,
        string $queryString): self
    {
        $text = fn (string $name): ?string => is_string($server[$name] ?? null) ? $server[$name] : null;
        $from = self::text($server, 'REMOTE_ADDR');
        $proxied = self::isProxy($from, $proxies);

        return new self(self::text($server, 'REQUEST_METHOD'), $place, $path, $asked[0], $asked[1], $query, $queryString, $cookies,
            $text('HTTP_USER_AGENT'), $text('HTTP_SEC_PURPOSE'), $text('HTTP_ACCEPT_ENCODING'), $text('HTTP_IF_NONE_MATCH'),
            $proxied ? null : $from, $proxied && $text('HTTP_X_FORWARDED_PROTO') !== null
                ? in_array(strtolower(trim(explode(',', (string) $text('HTTP_X_FORWARDED_PROTO'))[0])), ['https', 'on', 'ssl', '1'], true)
                : ! in_array(strtolower((string) $text('HTTPS')), ['', 'off'], true));
    }

    /** @param  array<array-key, mixed>  $server */
    private static function text(array $server, string $name): string
    {
        return is_string($server[$name] ?? null) ? $server[$name] : '';
    }

    /**
     * What a browser keeps for us.
     *
     * @throws GoOn for what is under no seal of today
     */
    public function kept(SiteCookie $cookie): ?string
    {
        if (! $this->has($cookie)) {
            return null;
        }

        return SiteCookies::opened($cookie, $this->cookies[$cookie->value]) ?? throw new GoOn($cookie->value);
    }

    public function has(SiteCookie $cookie): bool
    {
        return ($this->cookies[$cookie->value] ?? '') !== '';
    }

    /** The path below which the application stands, where its own script says so. */
    private static function base(string $script): string
    {
        return str_ends_with($script, '/index.php') ? substr($script, 0, -strlen('/index.php')) : '';
    }

    /** @param  list<string>  $proxies */
    private static function isProxy(string $address, array $proxies): bool
    {
        foreach ($proxies as $proxy) {
            if ($proxy === '*' || NetworkAddress::isWithin($address, $proxy)) {
                return true;
            }
        }

        return false;
    }
}
