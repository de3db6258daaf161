<?php

declare(strict_types=1);

namespace App\Popups;

use App\Support\Instant;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Popups\PopupFact;
use Lantern\Core\Popups\PopupFactType;
use Lantern\Core\Popups\TriggerKind;

/** What pop-ups did, written once for each view and read for one person or browser. */
final class FactLog
{
    /** The latest of these are enough to decide by: nobody is shown as many in the days for which limits hold. */
    private const MOST = 400;

    /** @return bool was it new? A report that comes again changes nothing. */
    public static function write(LivePopup $popup, PopupFactType $type, PopupView $asked, ?string $person, ?TriggerKind $by = null,
        ?int $afterMs = null, string $pattern = ''): bool
    {
        return DB::table('popup_facts')->insertOrIgnore(['business_id' => $asked->business->id, 'funnel_id' => $popup->funnel->id,
            'popup_id' => $popup->popup->id, 'name' => $popup->popup->name, 'type' => $type->value, 'view' => $asked->view,
            'visitor' => $asked->visitor, 'person_id' => $person, 'page_id' => $asked->page?->page_id, 'site_id' => $asked->site?->id,
            'path' => $asked->site === null ? null : $asked->path, 'pattern' => $pattern === '' ? null : $pattern,
            'opened_by' => $by?->value, 'after_ms' => $afterMs === null ? null : max(0, min($afterMs, 4_000_000_000)),
            'at' => Instant::sql(CarbonImmutable::now())]) === 1;
    }

    /** @return array{TriggerKind|null, string}|null how it was opened on a view, and by which pages it stood there; null if it was not */
    public static function shown(string $view, string $popup): ?array
    {
        $row = DB::table('popup_facts')->where('view', $view)->where('popup_id', $popup)->where('type', PopupFactType::Shown->value)
            ->first(['opened_by', 'pattern']);

        return $row === null ? null : [TriggerKind::tryFrom((string) $row->opened_by), (string) $row->pattern];
    }

    /**
     * @param  list<string>  $visitors  browsers
     * @return list<PopupFact> without those that say nothing was shown, the latest last
     */
    public static function of(?string $person, array $visitors): array
    {
        if ($person === null && $visitors === []) {
            return [];
        }
        $rows = DB::table('popup_facts')->where('type', '!=', PopupFactType::Eligible->value)
            ->where(fn (Builder $q) => $q->whereIn('visitor', $visitors)
                ->when($person !== null, fn (Builder $q) => $q->orWhere('person_id', $person)))
            ->latest('id')->limit(self::MOST)->get(['popup_id', 'type', 'at', 'view']);

        return array_values($rows->map(fn (object $r): PopupFact => new PopupFact((string) $r->popup_id,
            PopupFactType::from((string) $r->type), new DateTimeImmutable((string) $r->at, new DateTimeZone('UTC')), (string) $r->view))
            ->reverse()->all());
    }
}
