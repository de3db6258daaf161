<?php

declare(strict_types=1);

namespace App\Front;

use App\Serving\DeedReport;
use App\Serving\PageHeaders;
use App\Serving\ViewReport;
use App\Support\AnswerKind;
use App\Support\SiteCookie;
use DateTimeImmutable;
use Lantern\Core\Events\Trigger\PageSeen;
use PDO;

/**
 * Takes the views that pages report, before the framework starts: each is written down by one statement, and counted a moment later by
 * {@see \App\Serving\SeenViews}.
 */
final readonly class FrontViews
{
    public const VIEW = '/m/view';

    public const DEED = '/m/did';

    /** @param  string  $database  a short name of it */
    public function __construct(private PDO $pdo, private DateTimeImmutable $now, private string $database)
    {
    }

    /**
     * @param  array<array-key, mixed>  $posted  hostile
     *
     * @throws GoOn where the framework must see it
     */
    public function take(Ask $ask, array $posted): Answer
    {
        if ($ask->ip === null || $posted === []) {
            throw new GoOn('Who comes by a proxy, and what was sent in another form, the framework can tell.');
        }
        $visitor = $ask->kept(SiteCookie::Visitor);
        [$note, $values] = str_ends_with($ask->path, self::DEED) ? $this->deed($ask, $posted, $visitor, $ask->ip)
            : $this->view($ask, $posted, $visitor, $ask->ip);
        $note === null ? null : $this->pdo->prepare($note)->execute($values);

        return new Answer(204, ['Cache-Control' => PageHeaders::NOT_KEPT] + AnswerKind::Plain->headers() + ($ask->secure
            ? ['Strict-Transport-Security' => PageHeaders::STRICT_TRANSPORT] : []), '', later: $note === null ? null
            : $this->database);
    }

    /**
     * @param  array<array-key, mixed>  $posted
     * @return array{string|null, list<string|null>} the statement and its values; nothing where nothing counts
     */
    private function view(Ask $ask, array $posted, ?string $visitor, string $ip): array
    {
        $report = ViewReport::of($posted, $visitor, $ask->userAgent, $ask->purpose);
        if ($report === null) {
            return [null, []];
        }
        $this->lookWhether($report->page, $ip);

        return [ViewReport::NOTE, $report->values($ask->kept(SiteCookie::Reader), $ip, $ask->kept(SiteCookie::Zone), $this->now)];
    }

    /**
     * @param  array<array-key, mixed>  $posted
     * @return array{string|null, list<string|null>} likewise
     */
    private function deed(Ask $ask, array $posted, ?string $visitor, string $ip): array
    {
        $report = DeedReport::of($posted, $visitor, $ask->userAgent, $ask->purpose);
        if ($report === null) {
            return [null, []];
        }
        $this->lookWhether(null, $ip);

        return [DeedReport::NOTE, $report->values($ip, $this->now)];
    }

    /**
     * @param  string|null  $page  that is seen
     *
     * @throws GoOn where something begins by the view, at once, or more come from one address than people look at
     */
    private function lookWhether(?string $page, string $ip): void
    {
        $keys = $page === null ? [] : PageSeen::keysOf($page, PageSeen::MOST_TIMES);
        $these = implode(', ', array_fill(0, count($keys), '?'));
        $query = $this->pdo->prepare('select exists (select 1 from version_triggers where trigger_key in ('.$these
            .')) or exists (select 1 from rule_triggers where trigger_key in ('.$these.')), '
            .'(select count(*) from (select 1 from seen_views where ip = ? and at > ? '
            .'limit '.ViewReport::MOST.'))');
        $query->execute([...$keys, ...$keys, $ip, $this->now->modify('-'.ViewReport::SECONDS.' seconds')->format('Y-m-d H:i:s.u')]);
        /** @var array{int|string, int|string} $found */
        $found = $query->fetch(PDO::FETCH_NUM);
        $query->closeCursor();
        if ((int) $found[0] === 1 || (int) $found[1] >= ViewReport::MOST) {
            throw new GoOn((string) $page);
        }
    }
}
