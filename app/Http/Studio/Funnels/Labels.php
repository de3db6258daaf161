<?php

declare(strict_types=1);

namespace App\Http\Studio\Funnels;

use App\Models\Business;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Support\Invalid;

/** Words by which an owner sorts funnels. Nobody else sees them. */
final class Labels
{
    private const MOST = 12;

    private const LENGTH = 40;

    /**
     * @param  array<array-key, mixed>  $typed
     * @return list<string> each once, whatever the case of its letters
     *
     * @throws Invalid when there are too many, or one is too long
     */
    public static function read(array $typed): array
    {
        $labels = [];
        foreach ($typed as $label) {
            $label = trim((string) preg_replace('/\s+/u', ' ', is_string($label) ? $label : ''));
            if (mb_strlen($label) > self::LENGTH) {
                throw Invalid::at('labels', 'A label has '.self::LENGTH.' characters at most.');
            }
            $labels += $label === '' ? [] : [mb_strtolower($label) => $label];
        }
        if (count($labels) > self::MOST) {
            throw Invalid::at('labels', 'A funnel has '.self::MOST.' labels at most.');
        }

        return array_values($labels);
    }

    /** @return list<string> those on any funnel that is not archived, by the alphabet */
    public static function inUse(Business $business): array
    {
        $labels = DB::table('funnels')->join(DB::raw('json_each(funnels.labels) as label'), fn ($join) => $join->whereRaw('1 = 1'))
            ->where('business_id', $business->id)->whereNull('archived_at')->distinct()->pluck('label.value')->map(strval(...))->all();
        natcasesort($labels);

        return array_values($labels);
    }
}
