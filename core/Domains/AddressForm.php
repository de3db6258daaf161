<?php

declare(strict_types=1);

namespace Lantern\Core\Domains;

use Lantern\Core\Plan\WebAddress;

/** How the addresses of a funnel's pages are made up where they stand. `path` and `asked` are each other's reverse. */
enum AddressForm: string
{
    /** `/plan` and `/plan/thanks`: on the site, and on a domain of the business. */
    case Below = 'below';
    /** `/` and `/plan/thanks`: the funnel is the front page of a domain of the business. */
    case Front = 'front';
    /** `/` and `/thanks`: the domain is this funnel's alone. */
    case Alone = 'alone';

    private const PATH = '~^/(?:([a-z0-9-]{1,60})(?:/([a-z0-9-]{1,60}))?)?$~D';

    /**
     * @param  string  $funnel  its web address
     * @param  string  $page  likewise; '' for the entry page
     */
    public function path(string $funnel, string $page): string
    {
        return match (true) {
            $page === '' => $this === self::Below ? "/{$funnel}" : '/',
            // First parts that are the application's, or would be read as the funnel itself, keep the funnel before them.
            $this === self::Alone && $page !== $funnel && ! in_array($page, WebAddress::RESERVED, true) => "/{$page}",
            default => "/{$funnel}/{$page}",
        };
    }

    /** Below which path all its pages stand: where what a browser keeps for them is sent along. */
    public function below(string $funnel): string
    {
        return $this === self::Below ? "/{$funnel}" : '/';
    }

    /**
     * Which page is asked for at a path.
     *
     * @param  string|null  $funnel  of which the front page or all of the domain is, if of any
     * @return array{string, string}|null web addresses of funnel and page; null for a path that no page has
     */
    public static function asked(?DomainUse $use, ?string $funnel, string $path): ?array
    {
        if (preg_match(self::PATH, $path, $m) !== 1) {
            return null;
        }
        [$first, $second] = [$m[1] ?? '', $m[2] ?? ''];
        if ($first === '') {
            return $use === null || $funnel === null ? null : [$funnel, ''];
        }
        if ($use !== DomainUse::Funnel) {
            return [$first, $second];
        }
        if ($funnel === null) {
            return null;
        }

        return match (true) {
            $first === $funnel => [$funnel, $second],
            $second !== '' || in_array($first, WebAddress::RESERVED, true) => null,
            default => [$funnel, $first],
        };
    }
}
