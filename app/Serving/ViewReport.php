<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\Ids;
use DateTimeImmutable;
use Lantern\Core\Results\Device;
use Lantern\Core\Visits\Seeing;

/** A view as the script of a page reports it: read in one way, before the framework and in it. */
final readonly class ViewReport
{
    /** So many are taken of one network address in so many seconds: as many as of everything that pages report. */
    public const MOST = 240;

    public const SECONDS = 60;

    /** So many letters of an address that led here, or of its parameters. */
    private const LONGEST = 2000;

    /**
     * Noted in one statement, which takes a page of the version that is live, and nothing else. Its values: see {@see values()}.
     */
    public const NOTE = 'insert into seen_views (funnel_id, version_id, page_id, visitor, reader, ip, zone, source, came_from, device, '
        .'variant, at) select f.id, f.live_version_id, p.page_id, ?, ?, ?, ?, ?, ?, ?, ?, ? from funnels f join published_pages p on '
        ."p.version_id = f.live_version_id and p.page_id = ? and p.popup is null where f.id = ? and f.state = 'live' limit 1";

    private function __construct(
        public string $funnel,
        public string $page,
        public string $visitor,
        public string $source,
        public string $from,
        public ?string $variant,
        public ?Device $device,
    ) {
    }

    /**
     * @param  array<array-key, mixed>  $sent  hostile
     * @param  string|null  $visitor  the id that the browser keeps
     * @return self|null null for what counts nothing
     */
    public static function of(array $sent, ?string $visitor, ?string $userAgent, ?string $purpose): ?self
    {
        [$funnel, $page] = [$sent['funnel'] ?? null, $sent['page'] ?? null];
        $visitor = Browser::idOf($sent['visitor'] ?? null, $visitor);
        if (! is_string($funnel) || ! is_string($page) || ! Ids::is($funnel) || ! Ids::is($page) || $visitor === null
            || ! Seeing::counts($userAgent, $purpose)) {
            return null;
        }
        $text = fn (string $name): string => is_string($sent[$name] ?? null) && strlen($sent[$name]) <= self::LONGEST
            && mb_check_encoding($sent[$name], 'UTF-8') ? $sent[$name] : '';
        $variant = $text('variant');

        return new self($funnel, $page, $visitor, $text('source'), $text('from'),
            preg_match('/^[a-e]$/D', $variant) === 1 ? $variant : null,
            Device::of($userAgent));
    }

    /**
     * @param  string|null  $reader  who came by a link in an email, as its cookie says it
     * @param  string|null  $zone  likewise of the browser's own zone
     * @return list<string|null>
     */
    public function values(?string $reader, string $ip, ?string $zone, DateTimeImmutable $now): array
    {
        return [$this->visitor, $reader !== null && Ids::is($reader) ? $reader : null, $ip, Browser::zone($zone), $this->source,
            $this->from,
            $this->device?->value, $this->variant, $now->format('Y-m-d H:i:s.u'), $this->page, $this->funnel];
    }
}
