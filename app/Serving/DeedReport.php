<?php

declare(strict_types=1);

namespace App\Serving;

use App\Support\Ids;
use DateTimeImmutable;
use Lantern\Core\Events\EventType;
use Lantern\Core\Experiments\SplitTest;
use Lantern\Core\Visits\Seeing;

/**
 * What the script of a page reports beside having been seen: which button was pressed, or how far somebody has read. Read in one way,
 * before the framework and in it.
 */
final readonly class DeedReport
{
    /** What can be done, and among which places of the page it is. */
    private const DEEDS = ['press' => 'blocks', 'read' => 'sections'];

    private const MOST_PLACES = 1000;

    /**
     * Noted in one statement, which takes a place of a page of the version that is live, and nothing else. Its values: see {@see values()}.
     */
    public const NOTE = 'insert into seen_views (funnel_id, version_id, page_id, visitor, ip, source, came_from, did, part, at) '
        ."select f.id, f.live_version_id, p.page_id, ?, ?, '', '', ?, json_extract(p.places, ?), ? from funnels f join published_pages p "
        .'on p.version_id = f.live_version_id and p.page_id = ? and p.variant = ? and p.popup is null '
        ."where f.id = ? and f.state = 'live' and json_type(p.places, ?) = 'text' limit 1";

    private function __construct(
        public string $funnel,
        public string $page,
        public string $visitor,
        public string $did,
        public int $at,
        public string $variant,
    ) {
    }

    /**
     * @param  array<array-key, mixed>  $sent  hostile
     * @param  string|null  $visitor  the id that the browser keeps
     * @return self|null null for what counts nothing
     */
    public static function of(array $sent, ?string $visitor, ?string $userAgent, ?string $purpose): ?self
    {
        [$funnel, $page, $did, $at] = [$sent['funnel'] ?? null, $sent['page'] ?? null, $sent['did'] ?? null, $sent['at'] ?? null];
        $visitor = Browser::idOf($sent['visitor'] ?? null, $visitor);
        $variant = is_string($sent['variant'] ?? null) ? $sent['variant'] : '';
        if (! is_string($funnel) || ! is_string($page) || ! Ids::is($funnel) || ! Ids::is($page) || $visitor === null
            || ! is_string($did) || ! isset(self::DEEDS[$did]) || ! (is_string($at) || is_int($at))
            || preg_match('/^[0-9]{1,4}$/D', (string) $at) !== 1 || (int) $at > self::MOST_PLACES
            || preg_match('/^[a-e]?$/D', $variant) !== 1 || ! Seeing::counts($userAgent, $purpose)) {
            return null;
        }

        return new self($funnel, $page, $visitor, $did, (int) $at, $variant === SplitTest::ORIGINAL ? '' : $variant);
    }

    /** @return list<string> */
    public function values(string $ip, DateTimeImmutable $now): array
    {
        $place = '$.'.self::DEEDS[$this->did]."[{$this->at}]";

        return [$this->visitor, $ip, $this->did, $place, $now->format('Y-m-d H:i:s.u'), $this->page, $this->variant, $this->funnel, $place];
    }

    public static function event(string $did): EventType
    {
        return $did === 'press' ? EventType::Pressed : EventType::Read;
    }
}
